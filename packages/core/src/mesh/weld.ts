import { uvOf } from './faceRows.ts';
import { faceCount, type PolygonMesh } from './polygonMesh.ts';
import { RowTable, words64 } from './rowTable.ts';

/** Joins vertices with exactly equal coordinates and drops the faces and corners that collapse by it. Unused vertices go too. */
export function weld(mesh: PolygonMesh): PolygonMesh {
  const { faceStart, faceVertices } = mesh;
  const { number, positions } = numbered(mesh);
  const corners = new Uint32Array(faceVertices.length);
  const starts = new Uint32Array(faceStart.length);
  const region = new Uint32Array(faceCount(mesh));
  let [faces, count] = [0, 0];
  for (let f = 0; f < faceCount(mesh); f++) {
    const first = count;
    for (let c = faceStart[f]; c < faceStart[f + 1]; c++) {
      const next = c + 1 < faceStart[f + 1] ? c + 1 : faceStart[f];
      if (number[faceVertices[c]] !== number[faceVertices[next]]) corners[count++] = c;
    }
    if (count - first < 3) count = first;
    else {
      region[faces] = mesh.region[f];
      starts[++faces] = count;
    }
  }
  const kept = corners.subarray(0, count);
  return {
    positions,
    faceStart: starts.slice(0, faces + 1),
    faceVertices: kept.map((c) => number[faceVertices[c]]),
    sharp: new Uint8Array(kept.map((c) => mesh.sharp[c])),
    ...(mesh.uv && { uv: uvOf(mesh.uv, kept) }),
    region: region.slice(0, faces),
    regions: mesh.regions,
  };
}

/** New numbers of vertices, in the order in which faces come to them, and their places. */
function numbered({ positions: p, faceVertices }: PolygonMesh): { number: Int32Array; positions: Float64Array } {
  const table = new RowTable(words64(p), WORDS_A_VERTEX);
  const number = new Int32Array(p.length / 3).fill(-1);
  const positions = new Float64Array(p.length);
  let count = 0;
  for (const v of faceVertices) {
    if (number[v] >= 0) continue;
    const first = table.first(v);
    if (first === v) {
      for (let k = 0; k < 3; k++) positions[3 * count + k] = p[3 * v + k];
      number[v] = count++;
    } else number[v] = number[first];
  }
  return { number, positions: positions.slice(0, 3 * count) };
}

const WORDS_A_VERTEX = 6;
