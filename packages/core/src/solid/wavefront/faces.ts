import { dissect } from './dissect.ts';
import { linkLoops } from './linkLoops.ts';
import type { Band, Partition, PartitionResult, Ring } from './partition.ts';
import { SMALLEST_LAYER } from './tolerances.ts';
import type { Traces } from './traces.ts';

/** Rounds of uniting nodes that rounding brought together. */
const ROUNDS = 6;

/**
 * Traces -> faces: nodes are rounded to the grid, segments linked to loops, loops cut into triangles and quads. Where rounding leaves a face
 * without a proper cut, its closest pair of nodes is united and everything is linked again.
 */
export function buildFaces(traces: Traces, source: Int32Array, layers: readonly number[]): PartitionResult {
  const x = Float64Array.from(traces.x, Math.round);
  const y = Float64Array.from(traces.y, Math.round);
  uniteEqual(traces, x, y);
  const groups = groupSegments(traces, layers.length, source.length);
  for (let round = 0; ; round++) {
    const attempt = cutFaces(traces, groups, x, y, layers.length);
    if (attempt.fault === 'open-loop') return { ok: false, fault: 'open-loop' };
    if (attempt.folded.length === 0) {
      return { ok: true, partition: compact(traces, attempt.pieces, source, { x, y, layers }) };
    }
    if (round >= ROUNDS || !attempt.folded.every((loop) => uniteClosest(traces, loop, x, y, round))) {
      return { ok: false, fault: 'folded' };
    }
  }
}

/** Ends of a segment that rounding made equal become one node. */
function uniteEqual(traces: Traces, x: Float64Array, y: Float64Array): void {
  for (let i = 0; i < traces.from.length; i++) {
    const a = traces.find(traces.from[i]);
    const b = traces.find(traces.to[i]);
    if (a !== b && x[a] === x[b] && y[a] === y[b]) traces.unite(a, b);
  }
}

interface Groups {
  order: Uint32Array;
  /** first place in `order` of each group, one group a band and edge */
  start: Uint32Array;
  edgeCount: number;
}

/** Counting sort of the segments by band and edge. */
function groupSegments(traces: Traces, bands: number, edgeCount: number): Groups {
  const { band, edge } = traces;
  const start = new Uint32Array(bands * edgeCount + 1);
  for (let i = 0; i < band.length; i++) start[band[i] * edgeCount + edge[i] + 1]++;
  for (let g = 1; g < start.length; g++) start[g] += start[g - 1];
  const fill = start.slice();
  const order = new Uint32Array(band.length);
  for (let i = 0; i < band.length; i++) order[fill[band[i] * edgeCount + edge[i]]++] = i;
  return { order, start, edgeCount };
}

/** Pieces of all bands as flat rows, still with the traces' node numbers. */
interface Pieces {
  band: number[];
  edge: number[];
  start: number[];
  nodes: number[];
}

interface Attempt {
  fault?: 'open-loop';
  folded: number[][];
  pieces: Pieces;
}

function cutFaces(traces: Traces, groups: Groups, x: Float64Array, y: Float64Array, bands: number): Attempt {
  const attempt: Attempt = { folded: [], pieces: { band: [], edge: [], start: [0], nodes: [] } };
  const from: number[] = [];
  const to: number[] = [];
  for (let g = 0; g < bands * groups.edgeCount; g++) {
    if (groups.start[g] === groups.start[g + 1]) continue;
    from.length = 0;
    to.length = 0;
    for (let k = groups.start[g]; k < groups.start[g + 1]; k++) {
      const a = traces.find(traces.from[groups.order[k]]);
      const b = traces.find(traces.to[groups.order[k]]);
      if (a === b) continue;
      from.push(a);
      to.push(b);
    }
    const loops = linkLoops(from, to, x, y);
    if (!loops) return { ...attempt, fault: 'open-loop' };
    for (const loop of loops) cutLoop(attempt, loop, x, y, Math.floor(g / groups.edgeCount), g % groups.edgeCount);
  }
  return attempt;
}

function cutLoop(attempt: Attempt, loop: number[], x: Float64Array, y: Float64Array, band: number, edge: number): void {
  const cut = dissect(
    loop.map((node) => x[node]),
    loop.map((node) => y[node]),
  );
  if (!cut) {
    attempt.folded.push(loop);
    return;
  }
  const { pieces } = attempt;
  for (const piece of cut) {
    pieces.band.push(band);
    pieces.edge.push(edge);
    for (const corner of piece) pieces.nodes.push(loop[corner]);
    pieces.start.push(pieces.nodes.length);
  }
}

/** Unites the closest two nodes of a loop that may be united; false when none are near enough. */
function uniteClosest(traces: Traces, loop: number[], x: Float64Array, y: Float64Array, round: number): boolean {
  const limit = SMALLEST_LAYER * (1 + round);
  const pairs: { a: number; b: number; distance: number }[] = [];
  const live = loop.map((node) => traces.find(node));
  if (new Set(live).size < live.length) return true;
  for (let i = 0; i < live.length; i++) {
    for (let j = i + 1; j < live.length; j++) {
      const dx = x[live[i]] - x[live[j]];
      const dy = y[live[i]] - y[live[j]];
      const distance = dx * dx + dy * dy;
      if (distance < limit * limit) pairs.push({ a: live[i], b: live[j], distance });
    }
  }
  pairs.sort((p, q) => p.distance - q.distance);
  return pairs.some(({ a, b }) => traces.unite(a, b));
}

interface Places {
  x: Float64Array;
  y: Float64Array;
  layers: readonly number[];
}

/** Drops unused nodes and splits the pieces by band. */
function compact(traces: Traces, pieces: Pieces, source: Int32Array, places: Places): Partition {
  const number = new Int32Array(traces.x.length).fill(-1);
  const kept: number[] = [];
  const nodeOf = (node: number): number => {
    const root = traces.find(node);
    if (number[root] < 0) {
      number[root] = kept.length;
      kept.push(root);
    }
    return number[root];
  };
  const rings = compactRings(traces, source, places.layers.length, nodeOf);
  const bands = compactBands(pieces, source, places.layers.length, nodeOf);
  return {
    x: Float64Array.from(kept, (k) => places.x[k]),
    y: Float64Array.from(kept, (k) => places.y[k]),
    inset: Float64Array.from(kept, (k) => (traces.layer[k] > 0 ? places.layers[traces.layer[k] - 1] : traces.inset[k])),
    layer: Int32Array.from(kept, (k) => traces.layer[k]),
    layers: Float64Array.from([0, ...places.layers]),
    bands,
    rings,
  };
}

function compactBands(pieces: Pieces, source: Int32Array, count: number, nodeOf: (node: number) => number): Band[] {
  const rows = Array.from({ length: count }, () => ({ start: [0], nodes: [] as number[], edge: [] as number[] }));
  for (let p = 0; p < pieces.band.length; p++) {
    const row = rows[pieces.band[p]];
    for (let i = pieces.start[p]; i < pieces.start[p + 1]; i++) row.nodes.push(nodeOf(pieces.nodes[i]));
    row.start.push(row.nodes.length);
    row.edge.push(source[pieces.edge[p]]);
  }
  return rows.map(({ start, nodes, edge }) => ({
    start: Uint32Array.from(start),
    nodes: Uint32Array.from(nodes),
    edge: Uint32Array.from(edge),
  }));
}

function compactRings(
  traces: Traces,
  source: Int32Array,
  layerCount: number,
  nodeOf: (node: number) => number,
): Ring[] {
  const rows = Array.from({ length: layerCount + 1 }, () => ({
    from: [] as number[],
    to: [] as number[],
    edge: [] as number[],
  }));
  const add = (layer: number, edge: number, from: number, to: number): void => {
    const a = nodeOf(from);
    const b = nodeOf(to);
    if (a === b) return;
    rows[layer].from.push(a);
    rows[layer].to.push(b);
    rows[layer].edge.push(source[edge]);
  };
  for (let i = 0; i < traces.outlineSegments; i++) add(0, traces.edge[i], traces.from[i], traces.to[i]);
  for (let i = 0; i < traces.ringFrom.length; i++)
    add(traces.ringLayer[i], traces.ringEdge[i], traces.ringFrom[i], traces.ringTo[i]);
  return rows.map((row) => {
    cancelOpposites(row);
    return { from: Uint32Array.from(row.from), to: Uint32Array.from(row.to), edge: Uint32Array.from(row.edge) };
  });
}

/** Two ring segments that run against each other bound nothing. */
function cancelOpposites(row: { from: number[]; to: number[]; edge: number[] }): void {
  const seen = new Map<number, number>();
  const size = 2 ** 26;
  const drop = new Set<number>();
  for (let i = 0; i < row.from.length; i++) {
    const opposite = row.to[i] * size + row.from[i];
    const other = seen.get(opposite);
    if (other !== undefined) {
      drop.add(i);
      drop.add(other);
      seen.delete(opposite);
    } else {
      seen.set(row.from[i] * size + row.to[i], i);
    }
  }
  if (drop.size === 0) return;
  for (const column of [row.from, row.to, row.edge]) {
    const kept = column.filter((_, i) => !drop.has(i));
    column.length = 0;
    column.push(...kept);
  }
}
