import { uvOf } from './faceRows.ts';
import { faceCount, type PolygonMesh } from './polygonMesh.ts';

/** The same surface facing the other way: each face goes round backwards. */
export function turnedOver(mesh: PolygonMesh): PolygonMesh {
  const corners = Uint32Array.from(mesh.faceVertices, (_, c) => c);
  for (let f = 0; f < faceCount(mesh); f++) corners.subarray(mesh.faceStart[f], mesh.faceStart[f + 1]).reverse();
  return {
    ...mesh,
    faceVertices: corners.map((c) => mesh.faceVertices[c]),
    ...(mesh.uv && { uv: uvOf(mesh.uv, corners) }),
  };
}
