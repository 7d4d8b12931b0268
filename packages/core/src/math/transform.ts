import { atan2, cos, PI, sin } from './trig.ts';

/** One size, a turn and a move: rows of a 3 x 3 matrix, then the move. Points are columns. */
export interface Transform {
  rows: readonly number[];
  move: readonly [number, number, number];
}

export const STILL: Transform = { rows: [1, 0, 0, 0, 1, 0, 0, 0, 1], move: [0, 0, 0] };

/**
 * Degrees about x, y and z, worked in the order z, x, y: lean in the plane, tilt, then turn on the spot. Multiples of
 * 90 are exact.
 */
export function turnOf([ax, ay, az]: readonly [number, number, number]): number[] {
  const [sx, cx] = sineCosine(ax);
  const [sy, cy] = sineCosine(ay);
  const [sz, cz] = sineCosine(az);
  const z = [cz, 0 - sz, 0, sz, cz, 0, 0, 0, 1];
  const x = [1, 0, 0, 0, cx, 0 - sx, 0, sx, cx];
  const y = [cy, 0, sy, 0, 1, 0, 0 - sy, 0, cy];
  return product(y, product(x, z));
}

function sineCosine(degrees: number): [number, number] {
  const turn = ((degrees % 360) + 360) % 360;
  if (turn % 90 === 0)
    return [
      [0, 1],
      [1, 0],
      [0, -1],
      [-1, 0],
    ][turn / 90] as [number, number];
  const angle = (turn * PI) / 180;
  return [sin(angle), cos(angle)];
}

function product(a: readonly number[], b: readonly number[]): number[] {
  const made = new Array<number>(9);
  for (let row = 0; row < 9; row += 3)
    for (let column = 0; column < 3; column++)
      made[row + column] = a[row] * b[column] + a[row + 1] * b[column + 3] + a[row + 2] * b[column + 6];
  return made;
}

/** Places of points, three numbers each, after the transform. */
export function transformPoints({ rows, move }: Transform, points: Float64Array): Float64Array {
  const out = new Float64Array(points.length);
  for (let i = 0; i < points.length; i += 3) {
    const [x, y, z] = [points[i], points[i + 1], points[i + 2]];
    for (let k = 0; k < 3; k++) out[i + k] = rows[3 * k] * x + rows[3 * k + 1] * y + rows[3 * k + 2] * z + move[k];
  }
  return out;
}

/** What `first` does, and then `then`. */
export function afterwards(then: Transform, first: Transform): Transform {
  if (isStill(then)) return first;
  const move = [0, 1, 2].map((k) => dotRow(then.rows, k, first.move) + then.move[k]);
  return { rows: product(then.rows, first.rows), move: move as unknown as Transform['move'] };
}

const dotRow = (rows: readonly number[], k: number, [x, y, z]: Transform['move']): number =>
  rows[3 * k] * x + rows[3 * k + 1] * y + rows[3 * k + 2] * z;

/** What `from` does and then the opposite of `to`. Still where they are the same. */
export function turnedBack(to: Transform, from: Transform): Transform {
  if (to.rows.every((v, i) => v === from.rows[i]) && to.move.every((v, k) => v === from.move[k])) return STILL;
  const r = to.rows;
  // columns of one length: of a turn alone, which is not to be rounded once more, that is 1
  const square = r[0] * r[0] + r[3] * r[3] + r[6] * r[6];
  const by = Math.abs(square - 1) < 1e-12 ? 1 : 1 / square;
  const back = [0, 1, 2].flatMap((k) => [r[k] * by, r[k + 3] * by, r[k + 6] * by]);
  const way = from.move.map((v, k) => v - to.move[k]) as unknown as Transform['move'];
  const move = [0, 1, 2].map((k) => dotRow(back, k, way));
  return { rows: product(back, from.rows), move: move as unknown as Transform['move'] };
}

/** How much larger things become, 1 where they keep their size. */
const sizeBy = ({ rows }: Transform): number => Math.sqrt(rows[0] * rows[0] + rows[3] * rows[3] + rows[6] * rows[6]);

/**
 * Degrees about x, y and z for `turnOf`, and the size in percent, that make the same rows. Where it is tilted by a
 * right angle all of the rest is told as the turn on the spot.
 */
export function turnAndSize(transform: Transform): { turnDegrees: [number, number, number]; sizePercent: number } {
  const size = sizeBy(transform);
  const r = transform.rows.map((v) => v / size);
  // rows of y(x z): the middle of the last column is - sin x
  const level = Math.sqrt(r[3] * r[3] + r[4] * r[4]);
  const [y, z] = level > 1e-9 ? [atan2(r[2], r[8]), atan2(r[3], r[4])] : [atan2(0 - r[6], r[0]), 0];
  return { turnDegrees: [degrees(atan2(0 - r[5], level)), degrees(y), degrees(z)], sizePercent: 100 * size };
}

/** So finely that nothing moves, and right angles stay right. */
const degrees = (angle: number): number => Math.round((angle * 180 * 1e10) / PI) / 1e10 + 0;

export const isStill = ({ rows, move }: Transform): boolean =>
  move.every((v) => v === 0) && rows.every((v, i) => v === STILL.rows[i]);
