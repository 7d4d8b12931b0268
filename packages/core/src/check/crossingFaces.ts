import { triangulate, type PolygonMesh } from '../mesh/index.ts';
import { findCrossings } from './crossings.ts';
import { trianglesWithArea } from './triangleShape.ts';

/** Faces of a mesh that cross others, by exact predicates. */
export function crossingFaces(mesh: PolygonMesh, search: Parameters<typeof findCrossings>[3] = {}): Uint32Array {
  const triangles = triangulate(mesh);
  return findCrossings(mesh, triangles, trianglesWithArea(mesh, triangles), search).faces;
}

/** Whether any faces of a mesh cross. */
export const meshCrosses = (mesh: PolygonMesh): boolean => crossingFaces(mesh, { limit: 1 }).length > 0;
