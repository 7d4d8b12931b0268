import { areasAgree, asTriangles, faceCorners, faceCount, MeshSink, type PolygonMesh } from '../mesh/index.ts';

/**
 * Every face as triangles. 'short': quads along their shorter diagonal. 'same': from each quad's first corner wherever
 * both triangles face one way, so that equal rows of quads are cut alike.
 */
export function toTriangles(mesh: PolygonMesh, rule: 'short' | 'same'): PolygonMesh {
  if (rule === 'short') return asTriangles(mesh);
  const fixed = fansOfQuads(mesh);
  return asTriangles(fixed);
}

/** Quads as two triangles from their first corner; folded ones and larger faces stay. */
function fansOfQuads(mesh: PolygonMesh): PolygonMesh {
  const rows = new MeshSink(mesh);
  const { faceVertices: v, sharp } = mesh;
  for (let f = 0; f < faceCount(mesh); f++) {
    const corners = faceCorners(mesh, f);
    const [a, b, c, d] = corners;
    if (corners.length === 4 && areasAgree(mesh.positions, 3 * v[a], 3 * v[b], 3 * v[c], 3 * v[d])) {
      rows.face([a, b, c], mesh.region[f], [sharp[a], sharp[b], 0]);
      rows.face([a, c, d], mesh.region[f], [0, sharp[c], sharp[d]]);
    } else rows.face(corners, mesh.region[f]);
  }
  return rows.finish();
}
