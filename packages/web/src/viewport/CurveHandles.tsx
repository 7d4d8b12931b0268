import {
  CurveBuilder,
  drawKnots,
  isCorner,
  polyline,
  turnedKnot,
  withArm,
  withKnot,
  type FreeCurve,
  type ShownPiece,
} from '@fictile/core';
import { useMemo, useRef, useState } from 'react';
import { Matrix3, Vector3 } from 'three';
import { toStep } from './drags.ts';
import { gridStep } from './gridStep.ts';
import { Dots, Knob } from './handleParts.tsx';
import { slideOver } from './PlaceHandles.tsx';
import { matrixOf, TOOL } from './scene.ts';
import { useDrag } from './useDrag.ts';

/** A curve that is drawn here, while it is at work. */
export interface Bending {
  pieceId: string;
  curve: FreeCurve;
  begin: () => void;
  change: (curve: FreeCurve) => void;
  /** the words at a knot while it is dragged */
  words: (atMm: readonly [number, number]) => string;
}

interface CurveHandlesProps {
  bending: Bending;
  shown: ShownPiece;
}

type Point = [number, number];

/**
 * The curve as a dotted line on the letters' front, a knob at every knot, smaller ones at the ends of its arms.
 * Double-click turns a corner smooth and back.
 */
export function CurveHandles({ bending, shown }: CurveHandlesProps) {
  const { curve } = bending;
  const { transform, line } = shown;
  const space = useMemo(() => {
    const matrix = matrixOf(transform);
    const axes = new Matrix3().setFromMatrix4(matrix);
    return {
      toWorld: ([x, y]: Point) => new Vector3(x, y, line.front).applyMatrix4(matrix),
      // turned and moved, never stretched: the inverse is the transpose
      across: new Vector3(...axes.elements.slice(0, 3)),
      up: new Vector3(...axes.elements.slice(3, 6)),
      normal: new Vector3(...axes.elements.slice(6, 9)),
    };
  }, [transform, line.front]);
  const way = useMemo(() => wayOf(curve).flatMap((p) => space.toWorld(p).toArray()), [curve, space]);
  return (
    <group userData={TOOL}>
      <Dots points={way} />
      {curve.knots.map((knot, i) => (
        <group key={i}>
          <KnotKnob bending={bending} index={i} space={space} />
          {!isCorner(knot) && (curve.closed || i > 0) && (
            <ArmKnob bending={bending} index={i} side="inMm" space={space} />
          )}
          {!isCorner(knot) && (curve.closed || i < curve.knots.length - 1) && (
            <ArmKnob bending={bending} index={i} side="outMm" space={space} />
          )}
        </group>
      ))}
    </group>
  );
}

const DOTS_A_CURVE = 160;

/** Points along the curve, evenly. */
function wayOf(curve: FreeCurve): Point[] {
  const builder = new CurveBuilder({ keepsOpen: true });
  drawKnots(builder, curve);
  const table = builder.finish();
  if (table.degree.length === 0) return [];
  const spans = curve.knots.map(({ atMm: [x, y] }) => Math.hypot(x, y));
  const points = polyline(table, 0, { tolerance: Math.max(...spans, 1) * 1e-4, closed: curve.closed });
  if (curve.closed) points.push(points[0]);
  const reach = [0];
  for (let i = 1; i < points.length; i++)
    reach.push(reach[i - 1] + Math.hypot(points[i].x - points[i - 1].x, points[i].y - points[i - 1].y));
  const total = reach[reach.length - 1];
  let i = 1;
  return Array.from({ length: DOTS_A_CURVE + 1 }, (_, k): Point => {
    const at = (total * k) / DOTS_A_CURVE;
    while (i + 1 < reach.length && reach[i] < at) i++;
    const share = reach[i] > reach[i - 1] ? (at - reach[i - 1]) / (reach[i] - reach[i - 1]) : 0;
    const [a, b] = [points[i - 1], points[i]];
    return [a.x + (b.x - a.x) * share, a.y + (b.y - a.y) * share];
  });
}

interface Space {
  toWorld: (point: Point) => Vector3;
  across: Vector3;
  up: Vector3;
  normal: Vector3;
}

interface KnotProps {
  bending: Bending;
  index: number;
  space: Space;
}

/** Follows the pointer in the curve's own plane: `take` gets the point it has come to, in steps of the grid. */
function usePlaneDrag(bending: Bending, space: Space, from: () => { start: Point; take: (point: Point) => FreeCurve }) {
  const [text, setText] = useState<string>();
  const step = useRef(1);
  const drag = useDrag((event) => {
    const { start, take } = from();
    const size = bending.curve.knots.reduce((most, { atMm: [x, y] }) => Math.max(most, Math.abs(x), Math.abs(y)), 1);
    step.current = gridStep(size) / 20;
    bending.begin();
    setText(bending.words(start));
    return slideOver(event, {
      normal: space.normal,
      through: space.toWorld(start),
      take: (by, coarse) => {
        const grid = step.current * (coarse ? 10 : 1);
        const to: Point = [toStep(start[0] + by.dot(space.across), grid), toStep(start[1] + by.dot(space.up), grid)];
        bending.change(take(to));
        setText(bending.words(to));
      },
    });
  });
  return { drag, text, done: () => setText(undefined) };
}

function KnotKnob({ bending, index, space }: KnotProps) {
  const { curve } = bending;
  const at = curve.knots[index].atMm;
  const { drag, text, done } = usePlaneDrag(bending, space, () => ({
    start: at,
    take: (atMm) => withKnot(curve, index, { atMm }),
  }));
  const turn = (): void => {
    bending.begin();
    bending.change(turnedKnot(curve, index));
  };
  return (
    <Knob at={space.toWorld(at)} drag={drag} text={text} onDone={done} onDoubleClick={turn}>
      <sphereGeometry args={[1, 24, 16]} />
    </Knob>
  );
}

function ArmKnob({ bending, index, side, space }: KnotProps & { side: 'inMm' | 'outMm' }) {
  const { curve } = bending;
  const knot = curve.knots[index];
  const arm = knot[side];
  const at: Point = [knot.atMm[0] + arm[0], knot.atMm[1] + arm[1]];
  const { drag, text, done } = usePlaneDrag(bending, space, () => ({
    start: at,
    take: ([x, y]) => withArm(curve, index, side, { arm: [x - knot.atMm[0], y - knot.atMm[1]] }),
  }));
  const stem = useMemo(() => {
    const [from, to] = [space.toWorld(knot.atMm), space.toWorld([knot.atMm[0] + arm[0], knot.atMm[1] + arm[1]])];
    return Array.from({ length: 7 }, (_, i) =>
      from
        .clone()
        .lerp(to, i / 7)
        .toArray(),
    ).flat();
  }, [space, knot, arm]);
  if (arm[0] === 0 && arm[1] === 0) return null;
  return (
    <>
      <Dots points={stem} />
      <Knob at={space.toWorld(at)} drag={drag} text={text} onDone={done} size={0.65}>
        <boxGeometry args={[1.6, 1.6, 1.6]} />
      </Knob>
    </>
  );
}
