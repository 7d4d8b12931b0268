import { triangulate, type PolygonMesh } from '../mesh/index.ts';
import { findCrossings } from './crossings.ts';
import { trianglesWithArea } from './triangleShape.ts';

/** Faces of a mesh that cross others, by exact predicates; no more than `limit` pairs are looked for. */
export function crossingFaces(mesh: PolygonMesh, limit?: number): Uint32Array {
  const triangles = triangulate(mesh);
  return findCrossings(mesh, triangles, trianglesWithArea(mesh, triangles), { limit }).faces;
}

/** Whether any faces of a mesh cross. */
export const meshCrosses = (mesh: PolygonMesh): boolean => crossingFaces(mesh, 1).length > 0;
