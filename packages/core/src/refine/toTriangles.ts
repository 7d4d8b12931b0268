import { areasAgree, asTriangles, faceCount, FaceRows, type PolygonMesh } from '../mesh/index.ts';

/**
 * Every face as triangles. 'short': quads along their shorter diagonal. 'same': from each quad's first corner wherever both triangles face one way, so that equal
 * rows of quads are cut alike.
 */
export function toTriangles(mesh: PolygonMesh, rule: 'short' | 'same'): PolygonMesh {
  if (rule === 'short') return asTriangles(mesh);
  const fixed = fansOfQuads(mesh);
  return asTriangles(fixed);
}

/** Quads as two triangles from their first corner; folded ones and larger faces stay. */
function fansOfQuads(mesh: PolygonMesh): PolygonMesh {
  const rows = new FaceRows();
  for (let f = 0; f < faceCount(mesh); f++) {
    const [start, end] = [mesh.faceStart[f], mesh.faceStart[f + 1]];
    const corners = Array.from(mesh.faceVertices.subarray(start, end));
    const marks = Array.from(mesh.sharp.subarray(start, end));
    const [a, b, c, d] = corners;
    if (corners.length === 4 && areasAgree(mesh.positions, 3 * a, 3 * b, 3 * c, 3 * d)) {
      rows.push([a, b, c], [marks[0], marks[1], 0], mesh.region[f]);
      rows.push([a, c, d], [0, marks[2], marks[3]], mesh.region[f]);
    } else rows.push(corners, marks, mesh.region[f]);
  }
  return rows.over(mesh);
}
