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
  const faceStart = [0];
  const faceVertices: number[] = [];
  const sharp: number[] = [];
  const region: number[] = [];
  for (let f = 0; f < faceCount(mesh); f++) {
    const corners: number[] = [];
    for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++) {
      const next = c + 1 < mesh.faceStart[f + 1] ? c + 1 : mesh.faceStart[f];
      if (vertexOf(mesh.faceVertices[c]) !== vertexOf(mesh.faceVertices[next])) corners.push(c);
    }
    if (corners.length < 3) continue;
    for (const c of corners) {
      faceVertices.push(vertexOf(mesh.faceVertices[c]));
      sharp.push(mesh.sharp[c]);
    }
    faceStart.push(faceVertices.length);
    region.push(mesh.region[f]);
  }
  return {
    positions: Float64Array.from(positions),
    faceStart: Uint32Array.from(faceStart),
    faceVertices: Uint32Array.from(faceVertices),
    sharp: Uint8Array.from(sharp),
    region: Uint32Array.from(region),
    regions: mesh.regions,
  };
}
