import { dissect } from '../wavefront/index.ts';
import type { Band, Partition, Ring } from '../wavefront/index.ts';

/** A segment of a ring that gets new nodes inside, evenly spaced. */
export interface RingSplit {
  from: number;
  to: number;
  count: number;
}

/**
 * Puts new nodes into segments of a layer's ring and into the faces beside them, which are cut into triangles and quads again. Undefined when a face has no such cut.
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
  const places = { x, y };
  const bands = [...p.bands];
  for (const k of [layer - 1, layer]) {
    if (k < 0 || k >= bands.length) continue;
    const band = splitBand(bands[k], inside, places);
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
    rings: p.rings.map((ring, k) => (k === layer ? splitSegments(ring, inside) : ring)),
  };
}

function splitSegments(ring: Ring, inside: ReadonlyMap<string, readonly number[]>): Ring {
  const [from, to, edge]: number[][] = [[], [], []];
  ring.from.forEach((a, i) => {
    const row = [a, ...(inside.get(`${a} ${ring.to[i]}`) ?? []), ring.to[i]];
    for (let k = 0; k + 1 < row.length; k++) {
      from.push(row[k]);
      to.push(row[k + 1]);
      edge.push(ring.edge[i]);
    }
  });
  return { from: Uint32Array.from(from), to: Uint32Array.from(to), edge: Uint32Array.from(edge) };
}

function splitBand(
  band: Band,
  inside: ReadonlyMap<string, readonly number[]>,
  { x, y }: { x: readonly number[]; y: readonly number[] },
): Band | undefined {
  const start: number[] = [0];
  const nodes: number[] = [];
  const edge: number[] = [];
  for (let f = 0; f + 1 < band.start.length; f++) {
    const face = Array.from(band.nodes.subarray(band.start[f], band.start[f + 1]));
    const loop = face.flatMap((a, k) => [a, ...(inside.get(`${a} ${face[(k + 1) % face.length]}`) ?? [])]);
    const pieces = loop.length === face.length ? [face.map((_, k) => k)] : dissect(loop.map((n) => x[n]), loop.map((n) => y[n])); // prettier-ignore
    if (!pieces) return undefined;
    for (const piece of pieces) {
      nodes.push(...piece.map((k) => loop[k]));
      start.push(nodes.length);
      edge.push(band.edge[f]);
    }
  }
  return { start: Uint32Array.from(start), nodes: Uint32Array.from(nodes), edge: Uint32Array.from(edge) };
}
