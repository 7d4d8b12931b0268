import { FaceRows } from './faceRows.ts';
import { MeshBuilder } from './meshBuilder.ts';
import { faceCorners, faceCount, type PolygonMesh } from './polygonMesh.ts';

/** Quads that are folded, or fold when seen along an axis, as the two triangles that face one way; sharp edges stay, the cut itself is none. */
export function unfolded(mesh: PolygonMesh): PolygonMesh {
  const builder = new MeshBuilder();
  const p = mesh.positions;
  for (let i = 0; i < p.length; i += 3) builder.vertex(p[i], p[i + 1], p[i + 2]);
  const rows = new FaceRows(mesh);
  for (let f = 0; f < faceCount(mesh); f++) {
    const corners = faceCorners(mesh, f);
    const from = corners.length === 4 ? builder.foldedFrom(corners.map((c) => mesh.faceVertices[c])) : undefined;
    if (from === undefined) {
      rows.push(corners, mesh.region[f]);
      continue;
    }
    const [a, b, c, d] = corners.map((_, k) => corners[(from + k) % 4]);
    rows.push([a, b, c], mesh.region[f], [mesh.sharp[a], mesh.sharp[b], 0]);
    rows.push([a, c, d], mesh.region[f], [0, mesh.sharp[c], mesh.sharp[d]]);
  }
  return rows.finish();
}
