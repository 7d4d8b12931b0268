import { dividedBand, dividedRing, type Partition } from '../wavefront/index.ts';

/** A segment of a ring that gets new nodes inside, evenly spaced. */
export interface RingSplit {
  from: number;
  to: number;
  count: number;
}

/**
 * Puts new nodes into segments of a layer's ring and into the faces beside them, which are cut into triangles and quads
 * again. Undefined when a face has no such cut.
 */
export function splitRing(p: Partition, layer: number, splits: readonly RingSplit[]): Partition | undefined {
  if (splits.length === 0) return p;
  const [x, y] = [Array.from(p.x), Array.from(p.y)];
  const inside = new Map<string, number[]>();
  for (const { from, to, count } of splits) {
    const nodes = Array.from({ length: count }, (_, k) => {
      const share = (k + 1) / (count + 1);
      x.push(Math.round(p.x[from] + share * (p.x[to] - p.x[from])));
      return y.push(Math.round(p.y[from] + share * (p.y[to] - p.y[from]))) - 1;
    });
    inside.set(`${from} ${to}`, nodes);
    inside.set(`${to} ${from}`, [...nodes].reverse());
  }
  const added = x.length - p.x.length;
  const between = (a: number, b: number): readonly number[] => inside.get(`${a} ${b}`) ?? [];
  const bands = [...p.bands];
  for (const k of [layer - 1, layer]) {
    if (k < 0 || k >= bands.length) continue;
    const band = dividedBand(bands[k], between, { x, y, parted: (loop) => [loop] });
    if (!band) return undefined;
    bands[k] = band;
  }
  return {
    ...p,
    x: Float64Array.from(x),
    y: Float64Array.from(y),
    inset: Float64Array.from([...p.inset, ...new Array<number>(added).fill(p.layers[layer])]),
    layer: Int32Array.from([...p.layer, ...new Array<number>(added).fill(layer)]),
    bands,
    rings: p.rings.map((ring, k) => (k === layer ? dividedRing(ring, between) : ring)),
  };
}
