import { segmentsCross } from '../math/index.ts';

interface StrokePlace {
  x: number;
  y: number;
}

/** Crossings that a drawing may have, and more for every edge: strokes are made of pieces that lie over each other. */
const CROSSINGS = 10_000;
const CROSSINGS_AN_EDGE = 4;
/** Edges that can't cross each other so often, however they lie. */
const FEW = 140;

/**
 * Whether rings run over themselves and each other so often that their union would have no end of points: n edges can
 * cross n^2 / 2 times.
 * Edges are taken from left to right; it stops as soon as there are too many. O(n log n + pairs that overlap in x).
 */
export function isTangled(rings: readonly (readonly StrokePlace[])[]): boolean {
  const size = rings.reduce((sum, ring) => sum + ring.length, 0);
  if (size <= FEW) return false;
  const [from, to] = [new Array<StrokePlace>(size), new Array<StrokePlace>(size)];
  const [left, right, low, high] = [0, 1, 2, 3].map(() => new Float64Array(size));
  let e = 0;
  for (const ring of rings)
    for (let i = 0; i < ring.length; i++, e++) {
      const [a, b] = [ring[i], ring[(i + 1) % ring.length]];
      [from[e], to[e]] = [a, b];
      [left[e], right[e]] = [Math.min(a.x, b.x), Math.max(a.x, b.x)];
      [low[e], high[e]] = [Math.min(a.y, b.y), Math.max(a.y, b.y)];
    }
  const order = Array.from({ length: size }, (_, i) => i).sort((a, b) => left[a] - left[b]);
  let rest = CROSSINGS + CROSSINGS_AN_EDGE * size;
  const open: number[] = [];
  for (const i of order) {
    let kept = 0;
    for (const j of open) {
      if (right[j] < left[i]) continue;
      open[kept++] = j;
      if (low[j] > high[i] || low[i] > high[j]) continue;
      if (segmentsCross(from[i], to[i], from[j], to[j]) && --rest < 0) return true;
    }
    open.length = kept;
    open.push(i);
  }
  return false;
}
