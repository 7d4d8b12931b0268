import { FaceRows } from './faceRows.ts';
import { faceCount, type PolygonMesh } from './polygonMesh.ts';

/** Joins vertices with exactly equal coordinates and drops the faces and corners that collapse by it. Unused vertices go too. */
export function weld(mesh: PolygonMesh): PolygonMesh {
  const p = mesh.positions;
  const table = new Map<string, number>();
  const positions: number[] = [];
  const number = new Int32Array(p.length / 3).fill(-1);
  const vertexOf = (v: number): number => {
    if (number[v] >= 0) return number[v];
    const key = `${p[v * 3]} ${p[v * 3 + 1]} ${p[v * 3 + 2]}`;
    let found = table.get(key);
    if (found === undefined) {
      found = positions.length / 3;
      positions.push(p[v * 3], p[v * 3 + 1], p[v * 3 + 2]);
      table.set(key, found);
    }
    return (number[v] = found);
  };
  const rows = new FaceRows(mesh);
  for (let f = 0; f < faceCount(mesh); f++) {
    const corners: number[] = [];
    for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++) {
      const next = c + 1 < mesh.faceStart[f + 1] ? c + 1 : mesh.faceStart[f];
      if (vertexOf(mesh.faceVertices[c]) !== vertexOf(mesh.faceVertices[next])) corners.push(c);
    }
    if (corners.length < 3) continue;
    rows.push(corners, mesh.region[f]);
  }
  const kept = rows.finish();
  return { ...kept, positions: Float64Array.from(positions), faceVertices: kept.faceVertices.map((v) => number[v]) };
}
