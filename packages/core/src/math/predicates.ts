import { orient2d as shewchuk2, orient3d as shewchuk3 } from 'robust-predicates';

/**
 * Exact signs of determinants (Shewchuk 1997, "Adaptive precision floating-point arithmetic and fast robust geometric
 * predicates").
 */

/** > 0 when a, b, c turn to the left (counter-clockwise, y up), 0 exactly when they are collinear. */
export function orient2d(ax: number, ay: number, bx: number, by: number, cx: number, cy: number): number {
  return -shewchuk2(ax, ay, bx, by, cx, cy);
}

/**
 * > 0 when d lies on the side from which the vertices a, b, c appear counter-clockwise, 0 exactly when the four are
 * coplanar. Vertices are offsets into the flat array `p` of coordinates (index times 3).
 */
export function orient3d(p: ArrayLike<number>, a: number, b: number, c: number, d: number): number {
  return -shewchuk3(
    p[a],
    p[a + 1],
    p[a + 2],
    p[b],
    p[b + 1],
    p[b + 2],
    p[c],
    p[c + 1],
    p[c + 2],
    p[d],
    p[d + 1],
    p[d + 2],
  );
}
