import { cos, PI } from '../math/index.ts';
import { cornerSines, distanceSquared, type PolygonMesh } from '../mesh/index.ts';
import { mergeFaces, withoutIdleVertices } from './mergeFaces.ts';

/** Straight corners may stay in a joined face: where both neighbours have one, its vertex goes afterwards. */
const LEAST_SINE = 1e-6;

/**
 * Joins faces that lie in one plane, within an angle, wherever the joined face is convex; vertices that only lie on an
 * edge after that go.
 */
export function clear(mesh: PolygonMesh, withinDegrees: number): PolygonMesh {
  const merged = mergeFaces(mesh, {
    cosine: cos((withinDegrees * PI) / 180) - 1e-12,
    once: false,
    accepts: (p, vertices, normal) => cornerSines(p, vertices, normal).every((sine) => sine > -LEAST_SINE),
    // the longest edge goes first, as in the plain faces of a front
    worth: (p, vertices) => distanceSquared(p, 3 * vertices[0], 3 * vertices[vertices.length - 1]),
  });
  return withoutIdleVertices(merged);
}
