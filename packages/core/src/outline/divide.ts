import { lengthOf } from '../math/index.ts';
import { fromRings, toRings, type Outline, type Vertex } from './outline.ts';

/**
 * Cuts edges longer than `longest` (grid steps) into equal parts, on the grid; the parts keep their share of the curve.
 */
export function divide(outline: Outline, longest: number): Outline {
  return fromRings(
    toRings(outline).map((ring) => ring.flatMap((v, i) => parts(v, ring[(i + 1) % ring.length], longest))),
  );
}

function parts(v: Vertex, next: Vertex, longest: number): Vertex[] {
  const count = Math.ceil(lengthOf(next.x - v.x, next.y - v.y) / longest);
  if (count <= 1) return [v];
  return Array.from({ length: count }, (_, k): Vertex => {
    const at = (from: number, to: number, share: number): number => from + (to - from) * share;
    const [start, end] = [at(v.t0, v.t1, k / count), at(v.t0, v.t1, (k + 1) / count)];
    if (k === 0) return { ...v, t1: end };
    const [x, y] = [Math.round(at(v.x, next.x, k / count)), Math.round(at(v.y, next.y, k / count))];
    return { ...v, x, y, t0: start, t1: end, corner: 0 };
  });
}
