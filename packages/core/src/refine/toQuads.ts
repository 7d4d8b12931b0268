import { cos, PI } from '../math/index.ts';
import { cornerSines, faceCount, QUAD_SINE, type PolygonMesh } from '../mesh/index.ts';
import { mergeFaces } from './mergeFaces.ts';

/**
 * Joins pairs of triangles to quads, the squarest first, where they lie in one plane within an angle. Larger faces
 * stay.
 */
export function toQuads(mesh: PolygonMesh, withinDegrees: number): PolygonMesh {
  const size = (f: number): number => mesh.faceStart[f + 1] - mesh.faceStart[f];
  if (!Array.from({ length: faceCount(mesh) }).some((_, f) => size(f) === 3)) return mesh;
  return mergeFaces(mesh, {
    cosine: cos((withinDegrees * PI) / 180) - 1e-12,
    once: true,
    accepts: (p, vertices, normal) =>
      vertices.length === 4 && cornerSines(p, vertices, normal).every((s) => s > QUAD_SINE),
    worth: (p, vertices, normal) => (vertices.length === 4 ? Math.min(...cornerSines(p, vertices, normal)) : -1),
  });
}
