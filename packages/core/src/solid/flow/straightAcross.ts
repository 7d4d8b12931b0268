import type { Station } from './stations.ts';

/** One side of a four-sided block, between two stations. */
export interface FlowSide {
  from: Station;
  to: Station;
  length: number;
}

/** Of the strip's width: ends that lean by more are slanted. */
const SLANTED = 0.5;
/** How far a slanted end reaches into a strip, as often as it leans. */
const FADES = 2;

/**
 * Places of two facing sides, as shares of their lengths, walked in opposite directions. With equal shares the rows
 * between slanted ends lean all along a strip; here they lean only near those ends. Where the sides are too short for
 * that they come back as they are.
 */
export function straightAcross(shares: readonly [number[], number[]], a: FlowSide, b: FlowSide): [number[], number[]] {
  const [one, other] = shares;
  const n = one.length;
  const start = leaning(a.from, b.to, a.from.after);
  const end = leaning(a.to, b.from, a.to.before);
  const length = (a.length + b.length) / 2;
  if (Math.max(start.slant, end.slant) < SLANTED) return [one, other];
  if (FADES * (Math.abs(start.by) + Math.abs(end.by)) > length) return [one, other];
  const first: number[] = [];
  const second: number[] = [];
  one.forEach((share, k) => {
    const leans = fading(start.by, share * length) + fading(end.by, (1 - share) * length);
    const half = (leans - (1 - share) * start.by - share * end.by) / 2;
    first[k] = share - half / a.length;
    second[n - 1 - k] = other[n - 1 - k] - half / b.length;
  });
  return ascends(first) && ascends(second) ? [first, second] : [one, other];
}

const fading = (by: number, along: number): number =>
  by === 0 ? 0 : by * Math.max(0, 1 - along / (FADES * Math.abs(by)));

const ascends = (row: readonly number[]): boolean => row.every((v, k) => v > (k > 0 ? row[k - 1] : 0) && v < 1);

/**
 * How far a station lies ahead of the one that it faces, along that one's side, and as a share of the strip's width.
 * `normal`: of that side.
 */
function leaning(p: Station, q: Station, normal: Station['after']): { by: number; slant: number } {
  const [x, y] = [q.x - p.x, q.y - p.y];
  const by = x * normal.y - y * normal.x;
  return { by, slant: Math.abs(by / (x * normal.x + y * normal.y)) };
}
