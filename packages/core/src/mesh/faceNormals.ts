import { faceCount, type PolygonMesh } from './polygonMesh.ts';

/**
 * Area vectors of all faces (three numbers a face; length = area in square mm), by Newell's sum about the face's first
 * corner. `out`: rows that are filled in the place of new ones.
 */
export function faceAreaVectors(
  mesh: Pick<PolygonMesh, 'positions' | 'faceStart' | 'faceVertices'>,
  out: Float64Array = new Float64Array(faceCount(mesh) * 3),
): Float64Array {
  const { positions: p, faceStart, faceVertices } = mesh;
  const faces = faceCount(mesh);
  let end = faceStart[0];
  for (let f = 0; f < faces; f++) {
    const start = end;
    end = faceStart[f + 1];
    const o = faceVertices[start] * 3;
    const ox = p[o];
    const oy = p[o + 1];
    const oz = p[o + 2];
    // the edge of the last corner is the first of the next: each place is read once
    let b = faceVertices[start + 1] * 3;
    let bx = p[b] - ox;
    let by = p[b + 1] - oy;
    let bz = p[b + 2] - oz;
    let nx = 0;
    let ny = 0;
    let nz = 0;
    for (let c = start + 2; c < end; c++) {
      const ax = bx;
      const ay = by;
      const az = bz;
      b = faceVertices[c] * 3;
      bx = p[b] - ox;
      by = p[b + 1] - oy;
      bz = p[b + 2] - oz;
      nx += ay * bz - az * by;
      ny += az * bx - ax * bz;
      nz += ax * by - ay * bx;
    }
    const at = 3 * f;
    out[at] = nx / 2;
    out[at + 1] = ny / 2;
    out[at + 2] = nz / 2;
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
