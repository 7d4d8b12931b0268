import { MeshBuilder } from './meshBuilder.ts';
import { faceCount, type PolygonMesh } from './polygonMesh.ts';

/** Quads that are folded, or fold when seen along an axis, as the two triangles that face one way; sharp edges stay, the cut itself is none. */
export function unfolded(mesh: PolygonMesh): PolygonMesh {
  const builder = new MeshBuilder();
  const p = mesh.positions;
  for (let i = 0; i < p.length; i += 3) builder.vertex(p[i], p[i + 1], p[i + 2]);
  const sharp: number[] = [];
  for (let f = 0; f < faceCount(mesh); f++) {
    const [start, end] = [mesh.faceStart[f], mesh.faceStart[f + 1]];
    const corners = Array.from(mesh.faceVertices.subarray(start, end));
    const from = corners.length === 4 ? builder.foldedFrom(corners) : undefined;
    if (from === undefined) {
      builder.face(corners, mesh.region[f]);
      for (let c = start; c < end; c++) sharp.push(mesh.sharp[c]);
      continue;
    }
    const at = (k: number): number => (from + k) % 4;
    for (const [a, b, c] of [[0, 1, 2], [0, 2, 3]]) {
      builder.face([corners[at(a)], corners[at(b)], corners[at(c)]], mesh.region[f]);
      sharp.push(...[[a, b], [b, c], [c, a]].map(([p, q]) => ((p + 1) % 4 === q ? mesh.sharp[start + at(p)] : 0)));
    }
  }
  return { ...builder.finish(), regions: mesh.regions, sharp: Uint8Array.from(sharp) };
} // prettier-ignore
