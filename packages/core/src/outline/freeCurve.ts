import type { Pen } from './curves.ts';

type Point = readonly [number, number];

/** A curve drawn here, mm: cubic pieces from knot to knot; arms are relative to their knot. */
export interface KnotCurve {
  knots: readonly { atMm: Point; inMm: Point; outMm: Point }[];
  closed: boolean;
}

/** Knots -> one contour; where both arms of a piece are zero it is a straight line. */
export function drawKnots(pen: Pen, { knots, closed }: KnotCurve): void {
  pen.moveTo(...knots[0].atMm);
  const count = closed ? knots.length : knots.length - 1;
  for (let i = 0; i < count; i++) {
    const a = knots[i];
    const b = knots[(i + 1) % knots.length];
    const isStraight = isZero(a.outMm) && isZero(b.inMm);
    if (isStraight) pen.lineTo(...b.atMm);
    else pen.cubicTo(...sum(a.atMm, a.outMm), ...sum(b.atMm, b.inMm), ...b.atMm);
  }
  if (closed) pen.close();
}

const isZero = ([x, y]: Point): boolean => x === 0 && y === 0;
const sum = (a: Point, b: Point): [number, number] => [a[0] + b[0], a[1] + b[1]];
