import { useThree, type ThreeEvent } from '@react-three/fiber';
import { useMemo, useState } from 'react';
import { isOnEdge, isOnto, limitsOf, middleOfBox, type ShapeStep, type ShownPiece } from '@fictile/core';
import type { Matrix4 } from 'three';
import { Vector3 } from 'three';
import { onPlane, toStep } from './drags.ts';
import { gridStep } from './gridStep.ts';
import { Dots, Knob } from './handleParts.tsx';
import { GuidePen } from './GuidePen.tsx';
import { LineKnob } from './LineKnob.tsx';
import { slideOver } from './PlaceHandles.tsx';
import { matrixOf, meetOf, TOOL } from './scene.ts';
import { useShape } from './shapeFrame.ts';
import { anchored, anchorOf } from './heldAt.ts';
import { heldOf, type HeldPoint, type Place } from './stepPlaces.ts';
import { useDrag } from './useDrag.ts';

/** The shape step at work, with all steps of its piece. */
export interface Stepping {
  pieceId: string;
  steps: readonly ShapeStep[];
  step: ShapeStep;
  begin: () => void;
  change: (step: ShapeStep) => void;
  words: {
    strength: (value: number, step: ShapeStep) => string;
    place: (mm: number) => string;
    places: (count: number) => string;
  };
}

interface StepHandlesProps {
  stepping: Stepping;
  shown: ShownPiece;
}

/**
 * What a shape step is held by: a knob for its strength, gates at its limits, a point that stays. All stand where the
 * chain of steps has put their places of the flat layout.
 */
export function StepHandles({ stepping, shown }: StepHandlesProps) {
  const { step, steps } = stepping;
  const { flat, transform } = shown;
  const shape = useShape(steps, shown);
  const space = useMemo(() => {
    if (!flat || !shape) return undefined;
    const matrix = matrixOf(transform);
    return { flat, matrix, toWorld: (rest: Place) => shape(rest).applyMatrix4(matrix) };
  }, [flat, shape, transform]);
  if (!space) return null;
  const size = Math.max(...[0, 1, 2].map((k) => space.flat.high[k] - space.flat.low[k]));
  const props = { stepping, space, size };
  const held = (shown.onto?.stepId === step.id ? shown.onto.options.held : undefined) ?? [0, 0];
  return (
    <group userData={TOOL}>
      {/* over letters that are laid it would hide them */}
      {!isOnto(step) && <Backbone {...props} />}
      <ValueKnob {...props} />
      {isOnto(step) && <AnchorKnob {...props} at={space.toWorld([held[0], held[1], space.flat.high[2]])} />}
      {isOnto(step) && step.guide === 'drawn' && step.method === 'round' && (
        <GuidePen
          step={step}
          matrix={space.matrix}
          start={space.toWorld(overWords(space.flat))}
          begin={stepping.begin}
          change={stepping.change}
          words={stepping.words.places}
        />
      )}
      {isOnEdge(step) && <AnchorKnob {...props} at={new Vector3(...step.path.atMm).applyMatrix4(space.matrix)} />}
      {isOnEdge(step) && <EdgeDots space={space} line={shown.lines?.[step.id]?.placesMm ?? NOWHERE} />}
      <Limits {...props} />
      {'centreMm' in step && !step.middle && <CentreKnob {...props} centreMm={step.centreMm} />}
    </group>
  );
}

const NOWHERE: readonly Place[] = [];

interface StepSpace {
  flat: NonNullable<ShownPiece['flat']>;
  matrix: Matrix4;
  toWorld: (rest: Place) => Vector3;
}

interface PartProps {
  stepping: Stepping;
  space: StepSpace;
  /** of the flat piece's longest side */
  size: number;
}

const DOTS = 80;

/** The middle of the piece along the way that the step acts on. */
function Backbone({ stepping: { step }, space }: PartProps) {
  const points = useMemo(() => {
    const { axis, from, to } = limitsOf(step, space.flat);
    const middle = middleOfBox(space.flat);
    return Array.from({ length: DOTS + 1 }, (_, i) => {
      const rest: Place = [...middle];
      rest[axis] = from + ((to - from) * i) / DOTS;
      return space.toWorld(rest).toArray();
    }).flat();
  }, [step, space]);
  return <Dots points={points} />;
}

/** Over the middle of the words, by half their height. */
const overWords = ({ low, high }: StepSpace['flat']): Place => [
  (low[0] + high[0]) / 2,
  high[1] + (high[1] - low[1]) / 2,
  high[2],
];

/** Where a step is held on the other piece: drawn over it, the lettering follows. */
function AnchorKnob({ stepping, space, at }: PartProps & { at: Vector3 }) {
  const [text, setText] = useState<string>();
  const scene = useThree((three) => three.scene);
  const held = anchorOf(stepping.step);
  const drag = useDrag(() => {
    const meet = held && meetOf(scene, held.targetId);
    if (!meet) return undefined;
    stepping.begin();
    return (ray) => {
      const hit = meet(ray);
      const next = hit && anchored(held.step, { hit, sight: ray.direction }, space.matrix);
      if (!next) return;
      stepping.change(next.step);
      setText(next.at.map((mm) => stepping.words.place(Math.round(mm))).join(', '));
    };
  });
  return (
    <Knob at={at} drag={drag} text={text} onDone={() => setText(undefined)}>
      <octahedronGeometry args={[1]} />
    </Knob>
  );
}

/** The edge that a piece runs along, dotted. */
function EdgeDots({ space, line }: { space: StepSpace; line: readonly Place[] }) {
  const points = useMemo(
    () => line.flatMap((place) => new Vector3(...place).applyMatrix4(space.matrix).toArray()),
    [line, space],
  );
  return <Dots points={points} />;
}

/** What the step's value is pulled by. */
function ValueKnob(props: PartProps) {
  const held = heldOf(props.stepping.step, props.space.flat);
  if (!held) return null;
  return held.handle.does === 'turn' ? (
    <TurnKnob {...props} held={held as HeldPoint<'turn'>} />
  ) : (
    <PullKnob {...props} held={held as HeldPoint<'pull'>} />
  );
}

/** At the end of what is bent: pulled round, it says the angle. */
function TurnKnob({ stepping, space, held }: PartProps & { held: HeldPoint<'turn'> }) {
  const [text, setText] = useState<string>();
  const { value, take } = held;
  const { end, pivot, run } = held.handle;
  const at = space.toWorld(end);
  const drag = useDrag((event: ThreeEvent<PointerEvent>) => {
    const centre = space.toWorld(pivot);
    const across = new Vector3().setFromMatrixColumn(space.matrix, run);
    const inward = inwardOf(held.handle, space.matrix);
    const normal = across.clone().cross(inward).normalize();
    const { from, to } = limitsOf(stepping.step, space.flat);
    const share = (end[run] - pivot[run]) / Math.max(1e-9, to - from);
    const angleOf = (point: Vector3): number => {
      const from = point.clone().sub(centre);
      return (2 * Math.atan2(from.dot(inward), from.dot(across))) / share;
    };
    const first = onPlane(event.ray, at, normal);
    if (!first) return undefined;
    const start = angleOf(first);
    stepping.begin();
    setText(stepping.words.strength(value, stepping.step));
    let last = 0;
    return (ray, isCoarse) => {
      const point = onPlane(ray, at, normal);
      if (!point) return;
      // the shorter way from where it was, so that it may be pulled round more than once
      const turn = (4 * Math.PI) / share;
      let by = angleOf(point) - start;
      by -= Math.round((by - last) / turn) * turn;
      last = by;
      const next = toStep(value + (by * 180) / Math.PI, isCoarse ? 15 : 1);
      stepping.change(take(next));
      setText(stepping.words.strength(next, stepping.step));
    };
  });
  return (
    <Knob at={at} drag={drag} text={text} onDone={() => setText(undefined)}>
      <sphereGeometry args={[1, 24, 16]} />
    </Knob>
  );
}

/** The way that a positive angle turns to, in the world. */
function inwardOf({ high, side, towardDegrees }: HeldPoint<'turn'>['handle'], matrix: Matrix4): Vector3 {
  const column = (k: number): Vector3 => new Vector3().setFromMatrixColumn(matrix, k);
  const angle = (towardDegrees * Math.PI) / 180;
  return column(high).multiplyScalar(-Math.cos(angle)).addScaledVector(column(side), -Math.sin(angle));
}

/** Pulled along the way that the step moves points by. */
function PullKnob({ stepping, space, size, held }: PartProps & { held: HeldPoint<'pull'> }) {
  const { handle, value, isLength, take } = held;
  return (
    <LineKnob
      at={space.toWorld(handle.place)}
      way={new Vector3().setFromMatrixColumn(space.matrix, handle.axis).normalize()}
      value={value}
      share={handle.share}
      step={isLength ? gridStep(size) / 20 : 1}
      isSigned
      begin={stepping.begin}
      change={(next) => stepping.change(take(next))}
      words={(next) => stepping.words.strength(next, stepping.step)}
    />
  );
}

/** Gates at the limits of a step that has any; a knob on each slides it along the flat layout. */
function Limits({ stepping, space, size }: PartProps) {
  const { step } = stepping;
  if (!('whole' in step) || step.whole) return null;
  const { axis } = limitsOf(step, space.flat);
  return (['fromMm', 'toMm'] as const).map((field) => (
    <Gate
      key={field}
      stepping={stepping}
      space={space}
      axis={axis}
      field={field}
      mm={step[field]}
      step={gridStep(size) / 20}
    />
  ));
}

interface GateProps {
  stepping: Stepping;
  space: StepSpace;
  axis: 0 | 1 | 2;
  field: 'fromMm' | 'toMm';
  mm: number;
  step: number;
}

const A_SIDE = 12;

function Gate({ stepping, space, axis, field, mm, step }: GateProps) {
  const { flat } = space;
  const [b, c] = [(axis + 1) % 3, (axis + 2) % 3];
  const at = (u: number, v: number): Place => {
    const rest: Place = [0, 0, 0];
    rest[axis] = mm;
    rest[b] = flat.low[b] + u * (flat.high[b] - flat.low[b]);
    rest[c] = flat.low[c] + v * (flat.high[c] - flat.low[c]);
    return rest;
  };
  const ring = Array.from({ length: 4 * A_SIDE }, (_, i) => {
    const share = (i % A_SIDE) / A_SIDE;
    const [u, v] = [
      [share, 0],
      [1, share],
      [1 - share, 1],
      [0, 1 - share],
    ][Math.floor(i / A_SIDE)];
    return space.toWorld(at(u, v)).toArray();
  }).flat();
  const knob = at(axis === 1 ? 0.5 : 1, axis === 1 ? 1 : 0.5);
  const beside: Place = [...knob];
  beside[axis] += Math.max(1e-3, step / 10);
  const here = space.toWorld(knob);
  const way = space.toWorld(beside).sub(here);
  return (
    <>
      <Dots points={ring} />
      <LineKnob
        at={here}
        way={way.lengthSq() > 0 ? way.normalize() : new Vector3(1, 0, 0)}
        value={mm}
        share={1}
        step={step}
        isSigned
        begin={stepping.begin}
        change={(value) => stepping.change({ ...stepping.step, [field]: value } as ShapeStep)}
        words={stepping.words.place}
      />
    </>
  );
}

/** The point that stays, in the plane of the front. */
function CentreKnob({ stepping, space, size, centreMm }: PartProps & { centreMm: Place }) {
  const [text, setText] = useState<string>();
  const at = space.toWorld(centreMm);
  const [across, up, normal] = [0, 1, 2].map((k) => new Vector3().setFromMatrixColumn(space.matrix, k).normalize());
  const drag = useDrag((event) => {
    const from = [...centreMm];
    stepping.begin();
    return slideOver(event, {
      normal,
      through: at.clone(),
      take: (by, coarse) => {
        const grid = (gridStep(size) / 20) * (coarse ? 10 : 1);
        const next: Place = [toStep(from[0] + by.dot(across), grid), toStep(from[1] + by.dot(up), grid), from[2]];
        stepping.change({ ...stepping.step, centreMm: next } as ShapeStep);
        setText(`${stepping.words.place(next[0])}, ${stepping.words.place(next[1])}`);
      },
    });
  });
  return (
    <Knob at={at} drag={drag} text={text} onDone={() => setText(undefined)} size={0.9}>
      <octahedronGeometry args={[1.3]} />
    </Knob>
  );
}
