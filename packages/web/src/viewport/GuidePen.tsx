import { useThree } from '@react-three/fiber';
import { useMemo, useState } from 'react';
import { Vector3, type Matrix4 } from 'three';
import type { OntoStep } from '@fictile/core';
import { Dots, Knob } from './handleParts.tsx';
import { evened, thinnedOut } from './drawnLine.ts';
import { meetOf } from './scene.ts';
import type { Place } from './stepPlaces.ts';
import { useDrag } from './useDrag.ts';

interface GuidePenProps {
  step: OntoStep;
  /** from the model's space */
  matrix: Matrix4;
  /** where the pen lies while nothing is drawn, in the world */
  start: Vector3;
  begin: () => void;
  change: (step: OntoStep) => void;
  words: (places: number) => string;
}

/** A pen that draws the line letters follow: pulled over the model, it leaves a new one. */
export function GuidePen({ step, matrix, start, begin, change, words }: GuidePenProps) {
  const [text, setText] = useState<string>();
  const scene = useThree((three) => three.scene);
  const line = useMemo(() => step.guideMm.map((place) => new Vector3(...place).applyMatrix4(matrix)), [step, matrix]);
  const drag = useDrag(() => {
    const meet = meetOf(scene, step.target);
    if (!meet) return undefined;
    const inverse = matrix.clone().invert();
    const drawn: Place[] = [];
    begin();
    return (ray) => {
      const hit = meet(ray);
      if (!hit) return;
      drawn.push(hit.point.clone().applyMatrix4(inverse).toArray());
      const guideMm = evened(thinnedOut(drawn));
      if (guideMm.length < 2) return;
      change({ ...step, guideMm });
      setText(words(guideMm.length));
    };
  });
  return (
    <>
      <Dots points={line.flatMap((place) => place.toArray())} />
      <Knob at={line.at(-1) ?? start} drag={drag} text={text} onDone={() => setText(undefined)}>
        <coneGeometry args={[0.9, 2.2, 20]} />
      </Knob>
    </>
  );
}
