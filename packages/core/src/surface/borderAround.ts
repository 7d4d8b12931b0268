import { cross, minus, unit, type Vec3 } from '../math/index.ts';
import { triangleCorners, type PolygonMesh } from '../mesh/index.ts';

export type Triangle = [Vec3, Vec3, Vec3];
/** Whether a triangle belongs to a place, by its corners and its unit normal. */
export type Belongs = (corners: Triangle, normal: Vec3) => boolean;

/**
 * The border, with holes, of all triangles that belong and hang together with one of them; both ends of each edge, in
 * no order.
 */
export function borderAround(mesh: PolygonMesh, start: number, belongs: Belongs): [Vec3, Vec3][] {
  const { places, corners } = triangleCorners(mesh);
  const vertices = mesh.positions.length / 3;
  const vertexOf = (triangle: number, k: number): number => mesh.faceVertices[corners[3 * triangle + (k % 3)]];
  const key = (from: number, to: number): number => from * vertices + to;
  const place = (triangle: number, k: number): Vec3 =>
    [0, 1, 2].map((i) => places[9 * triangle + 3 * (k % 3) + i]) as Vec3;
  const byEdge = new Map<number, number>();
  for (let t = 0; t < corners.length / 3; t++) {
    const own: Triangle = [place(t, 0), place(t, 1), place(t, 2)];
    if (t !== start && !belongs(own, unit(cross(minus(own[1], own[0]), minus(own[2], own[0]))))) continue;
    for (let k = 0; k < 3; k++) byEdge.set(key(vertexOf(t, k), vertexOf(t, k + 1)), t);
  }
  const seen = new Set([start]);
  const border: [Vec3, Vec3][] = [];
  for (const t of seen) {
    for (let k = 0; k < 3; k++) {
      const beside = byEdge.get(key(vertexOf(t, k + 1), vertexOf(t, k)));
      if (beside === undefined) border.push([place(t, k), place(t, k + 1)]);
      else seen.add(beside);
    }
  }
  return border;
}
