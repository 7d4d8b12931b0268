import { cos, PI, sin } from './trig.ts';

/** A turn and a move: rows of a 3 x 3 matrix, then the move. Points are columns. */
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
  return Array.from({ length: 9 }, (_, i) => {
    const row = i - (i % 3);
    const column = i % 3;
    return a[row] * b[column] + a[row + 1] * b[column + 3] + a[row + 2] * b[column + 6];
  });
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

/** What `from` does and then the opposite of `to`; both are turns and moves. Still where they are the same. */
export function turnedBack(to: Transform, from: Transform): Transform {
  if (to.rows.every((v, i) => v === from.rows[i]) && to.move.every((v, k) => v === from.move[k])) return STILL;
  const back = [0, 1, 2].flatMap((r) => [to.rows[r], to.rows[r + 3], to.rows[r + 6]]);
  const way = from.move.map((v, k) => v - to.move[k]);
  const move = [0, 3, 6].map((r) => back[r] * way[0] + back[r + 1] * way[1] + back[r + 2] * way[2]);
  return { rows: product(back, from.rows), move: move as [number, number, number] };
}

export const isStill = ({ rows, move }: Transform): boolean =>
  move.every((v) => v === 0) && rows.every((v, i) => v === STILL.rows[i]);
