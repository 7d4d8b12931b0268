import { triangulate, type PolygonMesh } from '../mesh/index.ts';
import { findCrossings } from './crossings.ts';
import { trianglesWithArea } from './triangleShape.ts';

/** Whether any faces of a mesh cross, by exact predicates. */
export function meshCrosses(mesh: PolygonMesh): boolean {
  const triangles = triangulate(mesh);
  return findCrossings(mesh, triangles, trianglesWithArea(mesh, triangles), { limit: 1 }).pairs > 0;
}
