import { MeshSink } from './meshSink.ts';
import { faceCount, nextCorner, type PolygonMesh } from './polygonMesh.ts';
import { RowTable, words64 } from './rowTable.ts';

/**
 * Joins vertices with exactly equal coordinates and drops the faces and corners that collapse by it. Unused vertices go
 * too.
 */
export function weld(mesh: PolygonMesh): PolygonMesh {
  const { faceStart, faceVertices, sharp } = mesh;
  const sink = new MeshSink(mesh, { keeps: false });
  const number = numbered(mesh, sink);
  for (let f = 0; f < faceCount(mesh); f++) {
    const kept: number[] = [];
    for (let c = faceStart[f]; c < faceStart[f + 1]; c++)
      if (number[faceVertices[c]] !== number[faceVertices[nextCorner(mesh, f, c)]]) kept.push(c);
    if (kept.length < 3) continue;
    for (const c of kept) sink.corner(number[faceVertices[c]], c, sharp[c]);
    sink.endFace(mesh.region[f]);
  }
  return sink.finish();
}

/** New numbers of vertices, in the order in which faces come to them. */
function numbered({ positions: p, faceVertices }: PolygonMesh, sink: MeshSink): Int32Array {
  const table = new RowTable(words64(p), WORDS_A_VERTEX);
  const number = new Int32Array(p.length / 3).fill(-1);
  for (const v of faceVertices) {
    if (number[v] >= 0) continue;
    const first = table.first(v);
    number[v] = first === v ? sink.vertexOf(v) : number[first];
  }
  return number;
}

const WORDS_A_VERTEX = 6;
