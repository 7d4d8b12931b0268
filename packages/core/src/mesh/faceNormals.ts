import { faceCount, type PolygonMesh } from './polygonMesh.ts';

/**
 * Area vectors of all faces (three numbers a face; length = area in square mm), by Newell's sum about the face's first
 * corner. `out`: rows that are filled in the place of new ones.
 */
export function faceAreaVectors(
  mesh: PolygonMesh,
  out: Float64Array = new Float64Array(faceCount(mesh) * 3),
): Float64Array {
  const p = mesh.positions;
  for (let f = 0; f < faceCount(mesh); f++) {
    const o = mesh.faceVertices[mesh.faceStart[f]] * 3;
    let nx = 0;
    let ny = 0;
    let nz = 0;
    for (let c = mesh.faceStart[f] + 1; c + 1 < mesh.faceStart[f + 1]; c++) {
      const a = mesh.faceVertices[c] * 3;
      const b = mesh.faceVertices[c + 1] * 3;
      const ax = p[a] - p[o];
      const ay = p[a + 1] - p[o + 1];
      const az = p[a + 2] - p[o + 2];
      const bx = p[b] - p[o];
      const by = p[b + 1] - p[o + 1];
      const bz = p[b + 2] - p[o + 2];
      nx += ay * bz - az * by;
      ny += az * bx - ax * bz;
      nz += ax * by - ay * bx;
    }
    out[f * 3] = nx / 2;
    out[f * 3 + 1] = ny / 2;
    out[f * 3 + 2] = nz / 2;
  }
  return out;
}

/** Cosine of the turn between two faces, from their area vectors; `ofNothing` where one has no area. */
export function cosineBetween(areas: Float64Array, f: number, g: number, ofNothing: number): number {
  const dot = (i: number, j: number): number =>
    areas[3 * i] * areas[3 * j] + areas[3 * i + 1] * areas[3 * j + 1] + areas[3 * i + 2] * areas[3 * j + 2];
  const lengths = Math.sqrt(dot(f, f) * dot(g, g));
  return lengths > 0 ? dot(f, g) / lengths : ofNothing;
}
