import { MeshSink } from './meshSink.ts';
import { foldedFrom } from './foldedQuad.ts';
import { faceCorners, faceCount, type PolygonMesh } from './polygonMesh.ts';

/**
 * Quads that are folded, or fold when seen along an axis, as the two triangles that face one way; sharp edges stay, the
 * cut itself is none.
 */
export function unfolded(mesh: PolygonMesh): PolygonMesh {
  const folds = foldsOf(mesh);
  if (folds.size === 0) return mesh;
  const rows = new MeshSink(mesh);
  for (let f = 0; f < faceCount(mesh); f++) {
    const from = folds.get(f);
    if (from === undefined) {
      rows.keep(f);
      continue;
    }
    const corners = faceCorners(mesh, f);
    const [a, b, c, d] = corners.map((_, k) => corners[(from + k) % 4]);
    rows.face([a, b, c], mesh.region[f], [mesh.sharp[a], mesh.sharp[b], 0]);
    rows.face([a, c, d], mesh.region[f], [0, mesh.sharp[c], mesh.sharp[d]]);
  }
  return rows.finish();
}

/** Folded quads, and the corner to cut each from. */
function foldsOf({ positions, faceStart, faceVertices, region }: PolygonMesh): Map<number, 0 | 1> {
  const folds = new Map<number, 0 | 1>();
  for (let f = 0; f < region.length; f++) {
    if (faceStart[f + 1] - faceStart[f] !== 4) continue;
    const from = foldedFrom(positions, faceVertices.subarray(faceStart[f], faceStart[f + 1]));
    if (from !== undefined) folds.set(f, from);
  }
  return folds;
}
