import type { PolygonMesh } from './polygonMesh.ts';
import { uvOf } from './faceRows.ts';
import { triangulate } from './triangulate.ts';

/** The same mesh with every face cut into triangles; the cuts shade smoothly. */
export function asTriangles(mesh: PolygonMesh): PolygonMesh {
  const { corners, face } = triangulate(mesh);
  const sharp = new Uint8Array(corners.length);
  for (let i = 0; i < corners.length; i++) {
    const c = corners[i];
    const f = face[Math.floor(i / 3)];
    const next = c + 1 < mesh.faceStart[f + 1] ? c + 1 : mesh.faceStart[f];
    const to = corners[i % 3 === 2 ? i - 2 : i + 1];
    sharp[i] = to === next ? mesh.sharp[c] : 0;
  }
  return {
    ...mesh,
    faceStart: new Uint32Array(face.length + 1).map((_, i) => 3 * i),
    faceVertices: corners.map((c) => mesh.faceVertices[c]),
    sharp,
    ...(mesh.uv && { uv: uvOf(mesh.uv, corners) }),
    region: face.map((f) => mesh.region[f]),
  };
}
