import { lengthOf } from '../math/index.ts';
import type { KnotCurve } from './freeCurve.ts';

type Point = [number, number];
type Knot = { atMm: Point; inMm: Point; outMm: Point };
/** A curve whose knots can be changed; every function gives a new one. */
export interface OwnCurve {
  knots: Knot[];
  closed: boolean;
}

const own = ({ knots, closed }: KnotCurve): OwnCurve => ({
  knots: knots.map(({ atMm, inMm, outMm }) => ({ atMm: [...atMm], inMm: [...inMm], outMm: [...outMm] })),
  closed,
});

export const isCorner = ({ inMm, outMm }: KnotCurve['knots'][number]): boolean =>
  [...inMm, ...outMm].every((v) => v === 0);

export function withKnot(curve: KnotCurve, index: number, values: Partial<Knot>): OwnCurve {
  const made = own(curve);
  made.knots[index] = { ...made.knots[index], ...values };
  return made;
}

/** An arm put somewhere else; the other one keeps its length and stays opposite, as long as the knot is smooth. */
export function withArm(curve: KnotCurve, index: number, side: 'inMm' | 'outMm', { arm }: { arm: Point }): OwnCurve {
  const knot = curve.knots[index];
  const other = side === 'inMm' ? 'outMm' : 'inMm';
  const length = size(knot[other]);
  const reach = size(arm);
  const isTaken = length > 0 && reach > 0;
  const opposite: Point = isTaken ? [(-arm[0] / reach) * length, (-arm[1] / reach) * length] : [...knot[other]];
  return withKnot(curve, index, { [side]: arm, [other]: opposite });
}

/**
 * A corner becomes smooth, its arms a third of the way along the line between its neighbours; a smooth knot becomes a
 * corner.
 */
export function turnedKnot(curve: KnotCurve, index: number): OwnCurve {
  const knot = curve.knots[index];
  if (!isCorner(knot)) return withKnot(curve, index, { inMm: [0, 0], outMm: [0, 0] });
  const [before, after] = neighbours(curve, index);
  const [x, y] = [after[0] - before[0], after[1] - before[1]];
  const length = size([x, y]);
  if (length === 0) return own(curve);
  const arm = (to: Point): number => size([to[0] - knot.atMm[0], to[1] - knot.atMm[1]]) / 3;
  const [back, on] = [arm(before) / length, arm(after) / length];
  return withKnot(curve, index, { inMm: [-x * back, -y * back], outMm: [x * on, y * on] });
}

function neighbours({ knots, closed }: KnotCurve, index: number): [Point, Point] {
  const at = (i: number): Point => [
    ...knots[closed ? (i + knots.length) % knots.length : clamped(i, knots.length)].atMm,
  ];
  return [at(index - 1), at(index + 1)];
}

const clamped = (i: number, count: number): number => Math.max(0, Math.min(count - 1, i));

/**
 * Another knot in the middle of the piece after a knot; the curve keeps its form (de Casteljau). Behind the last of an
 * open curve it goes on straight.
 */
export function splitAfter(curve: KnotCurve, index: number): OwnCurve {
  const made = own(curve);
  const { knots } = made;
  const a = knots[index];
  if (!curve.closed && index === knots.length - 1) {
    const before = knots[index - 1].atMm;
    const on: Point = [2 * a.atMm[0] - before[0], 2 * a.atMm[1] - before[1]];
    knots.push({ atMm: on, inMm: [0, 0], outMm: [0, 0] });
    return made;
  }
  const b = knots[(index + 1) % knots.length];
  const [p0, p3] = [a.atMm, b.atMm];
  const [p1, p2] = [sum(p0, a.outMm), sum(p3, b.inMm)];
  const [q0, q1, q2] = [half(p0, p1), half(p1, p2), half(p2, p3)];
  const [r0, r1] = [half(q0, q1), half(q1, q2)];
  const middle = half(r0, r1);
  const isStraight = size(a.outMm) === 0 && size(b.inMm) === 0;
  if (isStraight) {
    knots.splice(index + 1, 0, { atMm: half(p0, p3), inMm: [0, 0], outMm: [0, 0] });
    return made;
  }
  a.outMm = difference(q0, p0);
  b.inMm = difference(q2, p3);
  knots.splice(index + 1, 0, { atMm: middle, inMm: difference(r0, middle), outMm: difference(r1, middle) });
  return made;
}

/** One knot fewer; the last two stay. */
export function withoutKnot(curve: KnotCurve, index: number): OwnCurve {
  const made = own(curve);
  if (made.knots.length > 2) made.knots.splice(index, 1);
  return made;
}

const size = ([x, y]: readonly [number, number]): number => lengthOf(x, y);
const sum = (a: Point, b: Point): Point => [a[0] + b[0], a[1] + b[1]];
const difference = (a: Point, b: Point): Point => [a[0] - b[0], a[1] - b[1]];
const half = (a: Point, b: Point): Point => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
