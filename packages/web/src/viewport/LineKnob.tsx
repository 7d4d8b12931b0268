import type { ThreeEvent } from '@react-three/fiber';
import { useState } from 'react';
import type { Vector3 } from 'three';
import { onLine, toStep } from './drags.ts';
import { Knob } from './handleParts.tsx';
import { useDrag, type DragHandlers } from './useDrag.ts';

interface LineKnobProps {
  at: Vector3;
  /** unit vector in the world that it slides along */
  way: Vector3;
  value: number;
  /** how much the value grows by the way that the knob came */
  share: number;
  /** of the value, mm */
  step: number;
  /** the value may fall below zero */
  isSigned?: boolean;
  begin: () => void;
  change: (value: number) => void;
  words: (value: number) => string;
}

/** A ball that slides along a line and says its value. */
export function LineKnob({ at, way, value, share, step, isSigned = false, begin, change, words }: LineKnobProps) {
  const [text, setText] = useState<string>();
  const drag: DragHandlers = useDrag((event: ThreeEvent<PointerEvent>) => {
    const [from, start] = [at.clone(), value];
    const first = onLine(event.ray, from, way);
    if (first === undefined) return undefined; // seen from its end the way can't be told
    begin();
    setText(words(start));
    return (ray, isCoarse) => {
      const to = onLine(ray, from, way);
      if (to === undefined) return;
      const next = Math.max(isSigned ? -Infinity : 0, toStep(start + (to - first) * share, step * (isCoarse ? 10 : 1)));
      change(next);
      setText(words(next));
    };
  });
  return (
    <Knob at={at} drag={drag} text={text} onDone={() => setText(undefined)} size={0.85}>
      <sphereGeometry args={[1, 24, 16]} />
    </Knob>
  );
}
