import type { PolygonMesh } from './polygonMesh.ts';
import { triangulate } from './triangulate.ts';

/**
 * A mesh's triangles by the places of their corners: nine numbers each, and the mesh's own corners and faces that they
 * come from.
 */
export interface TriangleCorners {
  places: Float64Array;
  corners: Uint32Array;
  face: Uint32Array;
}

export function triangleCorners(mesh: PolygonMesh): TriangleCorners {
  const { corners, face } = triangulate(mesh);
  const places = new Float64Array(3 * corners.length);
  for (let i = 0; i < corners.length; i++) {
    const v = 3 * mesh.faceVertices[corners[i]];
    for (let k = 0; k < 3; k++) places[3 * i + k] = mesh.positions[v + k];
  }
  return { places, corners, face };
}
