import { MeshSink } from './meshSink.ts';
import { nextCorner, type PolygonMesh } from './polygonMesh.ts';
import { triangulate } from './triangulate.ts';

/** The same mesh with every face cut into triangles; the cuts shade smoothly. */
export function asTriangles(mesh: PolygonMesh): PolygonMesh {
  const { corners, face } = triangulate(mesh);
  const sink = new MeshSink(mesh);
  for (let t = 0; t < face.length; t++) {
    for (let k = 0; k < 3; k++) {
      const c = corners[3 * t + k];
      const isBorder = corners[3 * t + ((k + 1) % 3)] === nextCorner(mesh, face[t], c);
      sink.corner(mesh.faceVertices[c], c, isBorder ? mesh.sharp[c] : 0);
    }
    sink.endFace(mesh.region[face[t]]);
  }
  return sink.finish();
}
