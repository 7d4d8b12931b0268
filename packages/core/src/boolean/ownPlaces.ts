import type { CutTriangles } from './readOut.ts';
import { originalAt } from './sortOut.ts';
import type { CutSource } from './source.ts';

/** In the sources' own space. What the cut made lies there but for one rounding, what was there before exactly. */
export function ownPlaces(cut: CutTriangles, sources: ReadonlyMap<number, CutSource>): Float64Array {
  const { origin } = sources.values().next().value as CutSource;
  const places = cut.places.map((v, i) => v + origin[i % 3]);
  const isKnown = new Uint8Array(places.length / 3);
  for (let c = 0; c < cut.vertices.length; c++) {
    const vertex = cut.vertices[c];
    if (isKnown[vertex]) continue;
    const source = sources.get(cut.source[Math.floor(c / 3)]) as CutSource;
    const number = originalAt(cut, c, source);
    if (number < 0) continue;
    isKnown[vertex] = 1;
    for (let k = 0; k < 3; k++) places[3 * vertex + k] = source.mesh.positions[3 * number + k];
  }
  return places;
}
