import { areaVector } from './areaVector.ts';
import type { PolygonMesh } from './polygonMesh.ts';

/**
 * Whether no corner of a face lies farther from its plane than `within`, mm: that through its first corner, across its
 * area.
 */
export function staysFlat(
  { positions: p, faceStart, faceVertices }: PolygonMesh,
  face: number,
  within: number,
): boolean {
  const [from, to] = [faceStart[face], faceStart[face + 1]];
  if (to - from <= 3) return true;
  const o = 3 * faceVertices[from];
  const n = [0, 0, 0];
  for (let c = from + 1; c + 1 < to; c++) {
    const part = areaVector(p, o, 3 * faceVertices[c], 3 * faceVertices[c + 1]);
    for (let k = 0; k < 3; k++) n[k] += part[k];
  }
  const size = Math.sqrt(n[0] * n[0] + n[1] * n[1] + n[2] * n[2]);
  for (let c = from + 1; c < to; c++) {
    const v = 3 * faceVertices[c];
    const off = n[0] * (p[v] - p[o]) + n[1] * (p[v + 1] - p[o + 1]) + n[2] * (p[v + 2] - p[o + 2]);
    if (!(Math.abs(off) <= within * size)) return false;
  }
  return true;
}
