import { fromRings, toRings, type Outline, type Vertex } from '../../outline/index.ts';
import { partition, type PartitionOptions } from './partition.ts';
import type { Band, Partition, PartitionResult, Ring } from './plan.ts';

/**
 * The plan on both sides of an outline. `layers`: ascending, whole, never 0; outward ones are below zero. The outside
 * is the inside of the outline turned over, so that one wavefront serves both.
 */
export function planBothSides(outline: Outline, options: PartitionOptions): PartitionResult {
  const inward = options.layers.filter((inset) => inset > 0);
  const inside = partition(outline, { ...options, layers: inward });
  if (inward.length === options.layers.length || !inside.ok) return inside;
  const outward = options.layers
    .filter((inset) => inset < 0)
    .map((inset) => 0 - inset)
    .reverse();
  const over = turnedOver(outline);
  const { jittered } = options;
  const outside = partition(over.outline, {
    ...options,
    layers: outward,
    jittered: jittered && { x: pick(jittered.x, over.vertex), y: pick(jittered.y, over.vertex) },
  });
  if (!outside.ok) return outside;
  return { ok: true, partition: joined(inside.partition, outside.partition, over) };
}

interface TurnedOver {
  outline: Outline;
  /** by vertex: the vertex that it was; by edge: the edge that it was */
  vertex: Uint32Array;
  edge: Uint32Array;
}

/** The same rings walked the other way: what was outside lies to the left now. */
function turnedOver(outline: Outline): TurnedOver {
  const vertex: number[] = [];
  const edge: number[] = [];
  const rings = toRings(outline).map((ring, r) => {
    const [start, n] = [outline.ringStart[r], ring.length];
    return ring.map((_, k): Vertex => {
      vertex.push(start + ((n - k) % n));
      edge.push(start + ((2 * n - k - 1) % n));
      return ring[(n - k) % n];
    });
  });
  return { outline: fromRings(rings), vertex: Uint32Array.from(vertex), edge: Uint32Array.from(edge) };
}

const pick = (values: Float64Array, from: Uint32Array): Float64Array => Float64Array.from(from, (i) => values[i]);

/** The outside's nodes come after the inside's; on the outline they are the same. */
function joined(inside: Partition, outside: Partition, { vertex, edge }: TurnedOver): Partition {
  const zero = outside.layers.length - 1;
  const [first, added] = [inside.x.length, outside.x.length];
  const nodeOf = new Int32Array(added).fill(-1);
  const nodeOfVertex = new Int32Array(vertex.length);
  inside.rings[0].edge.forEach((e, i) => (nodeOfVertex[e] = inside.rings[0].from[i]));
  outside.rings[0].edge.forEach((e, i) => (nodeOf[outside.rings[0].from[i]] = nodeOfVertex[vertex[e]]));
  const kept: number[] = [];
  for (let node = 0; node < added; node++) if (nodeOf[node] < 0) nodeOf[node] = first + kept.push(node) - 1;
  const outer = (layer: number): number => (layer < 0 ? -1 : zero - layer);
  const mapped = (nodes: Uint32Array): Uint32Array => nodes.map((node) => nodeOf[node]);
  const turnedBand = (band: Band): Band => ({
    ...band,
    nodes: mapped(band.nodes),
    edge: band.edge.map((e) => edge[e]),
  });
  const turnedRing = (ring: Ring): Ring => ({
    from: mapped(ring.to),
    to: mapped(ring.from),
    edge: ring.edge.map((e) => edge[e]),
  });
  return {
    x: Float64Array.from([...inside.x, ...kept.map((node) => outside.x[node])]),
    y: Float64Array.from([...inside.y, ...kept.map((node) => outside.y[node])]),
    inset: Float64Array.from([...inside.inset, ...kept.map((node) => 0 - outside.inset[node])]),
    layer: Int32Array.from([
      ...Array.from(inside.layer, (layer) => (layer < 0 ? -1 : layer + zero)),
      ...kept.map((node) => outer(outside.layer[node])),
    ]),
    closedUp: [...outside.closedUp.map(outer), ...inside.closedUp.map((layer) => layer + zero)],
    layers: Float64Array.from([
      ...Array.from(outside.layers.subarray(1), (inset) => 0 - inset).reverse(),
      ...inside.layers,
    ]),
    bands: [...outside.bands.map(turnedBand).reverse(), ...inside.bands],
    rings: [...outside.rings.slice(1).map(turnedRing).reverse(), ...inside.rings],
  };
}
