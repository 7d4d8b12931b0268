import { tetrahedron } from '../check/index.ts';
import type { CutTriangles } from './readOut.ts';

/** What hangs together in the result of a cut. */
export interface CutPart {
  triangles: number[];
  /** cubic mm; below zero it is a hollow inside another part */
  volume: number;
}

export function partsOf({ vertices, places: p }: CutTriangles): CutPart[] {
  const root = Int32Array.from({ length: p.length / 3 }, (_, v) => v);
  const find = (v: number): number => {
    while (root[v] !== v) v = root[v] = root[root[v]];
    return v;
  };
  for (let t = 0; t < vertices.length; t += 3) {
    const a = find(vertices[t]);
    root[find(vertices[t + 1])] = a;
    root[find(vertices[t + 2])] = a;
  }
  const parts = new Map<number, CutPart>();
  for (let t = 0; t < vertices.length / 3; t++) {
    const at = find(vertices[3 * t]);
    let part = parts.get(at);
    if (!part) parts.set(at, (part = { triangles: [], volume: 0 }));
    part.triangles.push(t);
    part.volume += tetrahedron(p, 3 * vertices[3 * t], 3 * vertices[3 * t + 1], 3 * vertices[3 * t + 2]);
  }
  return [...parts.values()];
}
