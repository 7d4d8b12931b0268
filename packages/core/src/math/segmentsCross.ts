import { orient2d } from './predicates.ts';

interface PlanePlace {
  x: number;
  y: number;
}

/**
 * Whether the segments a b and c d cross properly, each parting the ends of the other; exact. Those that only touch do
 * not.
 */
export function segmentsCross(a: PlanePlace, b: PlanePlace, c: PlanePlace, d: PlanePlace): boolean {
  const side = (p: PlanePlace, q: PlanePlace, r: PlanePlace): number => orient2d(p.x, p.y, q.x, q.y, r.x, r.y);
  return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
}
