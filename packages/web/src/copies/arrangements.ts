import {
  groupTransform,
  STILL,
  transformPoints,
  type ARRANGEMENT,
  type Transform,
  type ValuesOf,
  type Vec3,
} from '@fictile/core';

/** How copies stand about what they are made of. Lengths in mm. */
export type Arrangement = ValuesOf<typeof ARRANGEMENT>;

const WAYS: Readonly<Record<Arrangement['toward'], Vec3>> = {
  right: [1, 0, 0],
  up: [0, 1, 0],
  down: [0, -1, 0],
  back: [0, 0, -1],
};

export const countOf = ({ kind, count, across, down }: Arrangement): number =>
  kind === 'grid' ? across * down - 1 : count;

/** How each copy is moved from where its source stands, whose middle is at a place of the scene. */
export function motionsOf(arrangement: Arrangement, middle: Vec3): Transform[] {
  const { kind, toward, apartMm, across, apartDownMm } = arrangement;
  const numbers = Array.from({ length: countOf(arrangement) }, (_, i) => i + 1);
  if (kind === 'row') return numbers.map((i) => moved(WAYS[toward].map((v) => v * i * apartMm)));
  if (kind === 'circle') return numbers.map((i) => round(arrangement, middle, i / (numbers.length + 1)));
  return numbers.map((i) => {
    const [column, row] = [i % across, Math.floor(i / across)];
    return moved(WAYS[toward].map((v, k) => v * row * apartDownMm + (k === 0 ? column * apartMm : 0)));
  });
}

const moved = ([x, y, z]: readonly number[]): Transform => ({ rows: STILL.rows, move: [x + 0, y + 0, z + 0] });

/** Round a circle that lies behind what is copied, or stands with that at its top, by a share of it. */
function round({ radiusMm, plane, turned }: Arrangement, middle: Vec3, share: number): Transform {
  const lies = plane === 'lies';
  const centre: Vec3 = lies
    ? [middle[0], middle[1], middle[2] - radiusMm]
    : [middle[0], middle[1] - radiusMm, middle[2]];
  const turnDegrees: Vec3 = lies ? [0, 360 * share, 0] : [0, 0, -360 * share];
  const turn = groupTransform({ pivotMm: centre, atMm: centre, turnDegrees, sizePercent: 100 });
  if (turned === 'turned') return turn;
  const at = transformPoints(turn, Float64Array.from(middle));
  return moved(middle.map((v, k) => at[k] - v));
}
