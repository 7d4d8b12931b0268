import { checkMesh } from '../check/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';

/** Closed, manifold, outward, no crossing faces, none without area. `name` stands in the message. */
export function expectSound(mesh: PolygonMesh, name = ''): void {
  const { closed, manifold, outward, crossingFaces, degenerate } = checkMesh(mesh);
  expect({ name, closed, manifold, outward, crossingFaces, degenerate }).toEqual({
    name,
    closed: true,
    manifold: true,
    outward: true,
    crossingFaces: 0,
    degenerate: 0,
  });
}
