import { segmentsCross } from '../math/index.ts';

/** Pairs of edges that are looked at, for each edge. */
const LOOKS = 40;

/**
 * Whether two edges of a ring of points in a plane are found to cross properly, by exact predicates, within a number
 * of looks that grows as
 * the ring does. A ring without any order crosses wherever one looks; true is sure, false is not. Edges are taken from
 * left to right, and
 * only those that overlap in both directions are looked at.
 */
export function isSeenToCross(x: ArrayLike<number>, y: ArrayLike<number>): boolean {
  const n = x.length;
  const end = (i: number): number => (i + 1) % n;
  const [left, right] = [new Float64Array(n), new Float64Array(n)];
  for (let i = 0; i < n; i++) {
    left[i] = Math.min(x[i], x[end(i)]);
    right[i] = Math.max(x[i], x[end(i)]);
  }
  const order = Array.from({ length: n }, (_, i) => i).sort((a, b) => left[a] - left[b]);
  let open: number[] = [];
  let looks = LOOKS * n;
  for (const i of order) {
    const kept: number[] = [];
    for (const j of open) {
      if (right[j] < left[i]) continue;
      kept.push(j);
      if (--looks < 0) return false;
      if (edgesCross(x, y, [i, end(i), j, end(j)])) return true;
    }
    kept.push(i);
    open = kept;
  }
  return false;
}

function edgesCross(x: ArrayLike<number>, y: ArrayLike<number>, [a, b, c, d]: readonly number[]): boolean {
  if (Math.max(y[a], y[b]) < Math.min(y[c], y[d]) || Math.max(y[c], y[d]) < Math.min(y[a], y[b])) return false;
  const place = (p: number): { x: number; y: number } => ({ x: x[p], y: y[p] });
  return segmentsCross(place(a), place(b), place(c), place(d));
}
