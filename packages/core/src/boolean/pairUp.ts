import { cornerSines, QUAD_SINE } from '../mesh/index.ts';
import { faceOfGroup, type CutSource } from './source.ts';
import type { PlainFace, Sorted } from './sortOut.ts';
import type { CutTriangles } from './readOut.ts';
import { next, TouchedSurface } from './touched.ts';

interface FacePair {
  t: number;
  u: number;
  vertices: number[];
  worth: number;
}

/**
 * Pairs of triangles in one flat face as quads, the squarest first: the strips that a cut leaves of quads are such
 * again.
 */
export function pairCutTriangles(cut: CutTriangles, sorted: Sorted, sources: ReadonlyMap<number, CutSource>): Sorted {
  const surface = new TouchedSurface(cut, sorted, sources);
  const pairs = sorted.touched.flatMap((t) => pairsOf(surface, t));
  pairs.sort((a, b) => b.worth - a.worth || a.t - b.t || a.u - b.u);
  const taken = new Set<number>();
  const made: PlainFace[] = [];
  for (const { t, u, vertices } of pairs) {
    if (taken.has(t) || taken.has(u)) continue;
    taken.add(t).add(u);
    const source = sources.get(cut.source[t]) as CutSource;
    made.push({ source, face: faceOfGroup(source, cut.group[t]), vertices });
  }
  return { ...sorted, touched: sorted.touched.filter((t) => !taken.has(t)), made: [...(sorted.made ?? []), ...made] };
}

/** With each neighbour of a higher number in its face. */
function pairsOf(surface: TouchedSurface, t: number): FacePair[] {
  const { places, vertices } = surface.cut;
  const pairs: FacePair[] = [];
  for (let corner = 3 * t; corner < 3 * t + 3; corner++) {
    const [a, b, c] = [corner, next(corner), next(next(corner))].map((at) => vertices[at]);
    const back = surface.edge(b, a);
    const u = back === undefined ? -1 : Math.floor(back / 3);
    if (back === undefined || u < t || !surface.isOneFace(t, u)) continue;
    const quad = [a, vertices[next(next(back))], b, c];
    const worth = Math.min(...cornerSines(places, quad, surface.normalOf(t)));
    if (worth > QUAD_SINE) pairs.push({ t, u, vertices: quad, worth });
  }
  return pairs;
}
