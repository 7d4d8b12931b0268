import { dissect } from './dissect.ts';
import { linkLoops } from './linkLoops.ts';
import type { Band, Partition, PartitionResult, Ring } from './plan.ts';
import { SMALLEST_LAYER } from './tolerances.ts';
import type { Traces } from './traces.ts';

/** Rounds of uniting nodes that rounding brought together. */
const ROUNDS = 6;

/**
 * Traces -> faces: nodes are rounded to the grid, segments linked to loops, loops cut into triangles and quads. Where
 * rounding leaves a face without a proper cut, its closest pair of nodes is united and everything is linked again.
 */
export function buildFaces(traces: Traces, source: Int32Array, layers: readonly number[]): PartitionResult {
  const x = rounded(traces.x);
  const y = rounded(traces.y);
  uniteEqual(traces, x, y);
  const groups = groupSegments(traces, layers.length, source.length);
  for (let round = 0; ; round++) {
    const attempt = cutFaces(traces, groups, { x, y, bands: layers.length });
    if (attempt.fault === 'open-loop') return { ok: false, fault: 'open-loop' };
    if (attempt.folded.length === 0) {
      return { ok: true, partition: compact(traces, attempt.pieces, source, { places: { x, y, layers } }) };
    }
    if (round >= ROUNDS || !attempt.folded.every((loop) => uniteClosest(traces, loop, { x, y, round }))) {
      return { ok: false, fault: 'folded' };
    }
  }
}

/** Halves away from zero: mirrored letters get mirrored nodes. */
function rounded(values: readonly number[]): Float64Array {
  const out = new Float64Array(values.length);
  for (let i = 0; i < out.length; i++) out[i] = values[i] < 0 ? 0 - Math.round(0 - values[i]) : Math.round(values[i]);
  return out;
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
interface LoopPieces {
  band: number[];
  edge: number[];
  start: number[];
  nodes: number[];
}

interface Attempt {
  fault?: 'open-loop';
  folded: number[][];
  pieces: LoopPieces;
}

function cutFaces(
  traces: Traces,
  groups: Groups,
  { x, y, bands }: { x: Float64Array; y: Float64Array; bands: number },
): Attempt {
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
    for (const loop of loops)
      cutLoop(attempt, loop, { x, y, band: Math.floor(g / groups.edgeCount), edge: g % groups.edgeCount });
  }
  return attempt;
}

function cutLoop(
  attempt: Attempt,
  loop: number[],
  { x, y, band, edge }: { x: Float64Array; y: Float64Array; band: number; edge: number },
): void {
  const px: number[] = [];
  const py: number[] = [];
  for (let i = 0; i < loop.length; i++) {
    px.push(x[loop[i]]);
    py.push(y[loop[i]]);
  }
  const cut = dissect(px, py);
  if (!cut) {
    attempt.folded.push(loop);
    return;
  }
  const { pieces } = attempt;
  for (const piece of cut) {
    pieces.band.push(band);
    pieces.edge.push(edge);
    for (let k = 0; k < piece.length; k++) pieces.nodes.push(loop[piece[k]]);
    pieces.start.push(pieces.nodes.length);
  }
}

/** Unites the closest two nodes of a loop that may be united; false when none are near enough. */
function uniteClosest(
  traces: Traces,
  loop: number[],
  { x, y, round }: { x: Float64Array; y: Float64Array; round: number },
): boolean {
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

interface NodePlaces {
  x: Float64Array;
  y: Float64Array;
  layers: readonly number[];
}

/** Drops unused nodes and splits the pieces by band. */
function compact(
  traces: Traces,
  pieces: LoopPieces,
  source: Int32Array,
  { places }: { places: NodePlaces },
): Partition {
  const numbers = new NodeNumbers(traces);
  const rings = compactRings(traces, source, places.layers.length, { numbers });
  const bands = compactBands(pieces, source, places.layers.length, { numbers });
  const { kept } = numbers;
  const x = new Float64Array(kept.length);
  const y = new Float64Array(kept.length);
  const inset = new Float64Array(kept.length);
  const layer = new Int32Array(kept.length);
  for (let i = 0; i < kept.length; i++) {
    const k = kept[i];
    x[i] = places.x[k];
    y[i] = places.y[k];
    layer[i] = traces.layer[k];
    inset[i] = traces.layer[k] > 0 ? places.layers[traces.layer[k] - 1] : traces.inset[k];
  }
  return {
    x,
    y,
    inset,
    layer,
    layers: Float64Array.from([0, ...places.layers]),
    bands,
    rings,
    closedUp: ridgesOn(layer, bands, rings),
  };
}

/** New numbers for the nodes that are used, in the order in which they are first met. */
class NodeNumbers {
  readonly kept: number[] = [];
  readonly #traces: Traces;
  readonly #number: Int32Array;

  constructor(traces: Traces) {
    this.#traces = traces;
    this.#number = new Int32Array(traces.x.length).fill(-1);
  }

  of(node: number): number {
    const root = this.#traces.find(node);
    if (this.#number[root] < 0) this.#number[root] = this.kept.push(root) - 1;
    return this.#number[root];
  }
}

function compactBands(
  pieces: LoopPieces,
  source: Int32Array,
  count: number,
  { numbers }: { numbers: NodeNumbers },
): Band[] {
  const bands: Band[] = [];
  let p = 0;
  // pieces come sorted by band
  for (let band = 0; band < count; band++) {
    const first = p;
    while (p < pieces.band.length && pieces.band[p] === band) p++;
    const corner = pieces.start[first];
    const made: Band = {
      start: new Uint32Array(p - first + 1),
      nodes: new Uint32Array(pieces.start[p] - corner),
      edge: new Uint32Array(p - first),
    };
    for (let i = first; i < p; i++) {
      made.start[i - first + 1] = pieces.start[i + 1] - corner;
      made.edge[i - first] = source[pieces.edge[i]];
    }
    for (let c = 0; c < made.nodes.length; c++) made.nodes[c] = numbers.of(pieces.nodes[corner + c]);
    bands.push(made);
  }
  return bands;
}

/**
 * Layers that hold edges of faces which are no part of their rings: there a front closed up at the layer's very inset.
 */
function ridgesOn(layer: Int32Array, bands: readonly Band[], rings: readonly Ring[]): number[] {
  const next = new Int32Array(layer.length).fill(-1);
  for (const { from, to } of rings) for (let i = 0; i < from.length; i++) next[from[i]] = to[i];
  const found = new Set<number>();
  for (const { start, nodes } of bands) {
    for (let f = 0; f + 1 < start.length; f++) {
      let a = nodes[start[f + 1] - 1];
      for (let c = start[f]; c < start[f + 1]; c++) {
        const b = nodes[c];
        if (layer[a] >= 0 && layer[a] === layer[b] && next[a] !== b && next[b] !== a) found.add(layer[a]);
        a = b;
      }
    }
  }
  return [...found];
}

interface RingRow {
  from: number[];
  to: number[];
  edge: number[];
}

function compactRings(
  traces: Traces,
  source: Int32Array,
  layerCount: number,
  { numbers }: { numbers: NodeNumbers },
): Ring[] {
  const rows: RingRow[] = Array.from({ length: layerCount + 1 }, () => ({ from: [], to: [], edge: [] }));
  const add = (row: RingRow, edge: number, from: number, to: number): void => {
    const a = numbers.of(from);
    const b = numbers.of(to);
    if (a === b) return;
    row.from.push(a);
    row.to.push(b);
    row.edge.push(source[edge]);
  };
  for (let i = 0; i < traces.outlineSegments; i++) add(rows[0], traces.edge[i], traces.from[i], traces.to[i]);
  for (let i = 0; i < traces.ringFrom.length; i++) {
    add(rows[traces.ringLayer[i]], traces.ringEdge[i], traces.ringFrom[i], traces.ringTo[i]);
  }
  return rows.map((row) => {
    cancelOpposites(row);
    return { from: new Uint32Array(row.from), to: new Uint32Array(row.to), edge: new Uint32Array(row.edge) };
  });
}

/**
 * Two ring segments that run against each other bound nothing; only where the front closed up exactly at a layer are
 * there any.
 */
function cancelOpposites(row: RingRow): void {
  const leaving = new Map<number, number>();
  for (let i = 0; i < row.from.length; i++) leaving.set(row.from[i], i);
  const drop = new Set<number>();
  for (let i = 0; i < row.from.length; i++) {
    const back = leaving.get(row.to[i]);
    if (back !== undefined && row.to[back] === row.from[i]) drop.add(i);
  }
  if (drop.size === 0) return;
  for (const column of [row.from, row.to, row.edge]) {
    const kept = column.filter((_, i) => !drop.has(i));
    column.length = 0;
    for (const value of kept) column.push(value);
  }
}
