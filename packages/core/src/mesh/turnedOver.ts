import { MeshSink } from './meshSink.ts';
import { faceCount, type PolygonMesh } from './polygonMesh.ts';

/**
 * The same surface facing the other way: each face goes round backwards. An edge walked the other way starts at what
 * was its end.
 */
export function turnedOver(mesh: PolygonMesh): PolygonMesh {
  const { faceStart, sharp, region } = mesh;
  const sink = new MeshSink(mesh);
  for (let f = 0; f < faceCount(mesh); f++) {
    const [start, end] = [faceStart[f], faceStart[f + 1]];
    const corners = Array.from({ length: end - start }, (_, k) => end - 1 - k);
    const marks = corners.map((c) => sharp[c > start ? c - 1 : end - 1]);
    sink.face(corners, region[f], marks);
  }
  return sink.finish();
}
