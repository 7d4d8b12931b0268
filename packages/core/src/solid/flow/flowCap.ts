import { orient2d } from '../../math/index.ts';
import type { Outline } from '../../outline/index.ts';
import type { Cap } from '../cap.ts';
import type { Partition } from '../wavefront/index.ts';
import { fillFlow } from './fillFlow.ts';
import { flowBlocks, type FlowBlocks } from './flowBlocks.ts';
import { lackingPoints } from './lackingPoints.ts';
import { nearestLetters } from './nearestLetters.ts';
import type { FlowPatch } from './patch.ts';
import type { FlowPlan } from './planFlow.ts';
import { ringLine, type RingLine } from './ringLine.ts';
import { ringStations, type RingStations } from './ringStations.ts';
import { splitRing } from './splitRing.ts';

export interface FlowCapOptions {
  plan: FlowPlan;
  vertexOf: Int32Array;
  size: number;
  /** what counts as touching, grid steps */
  reach: number;
}

/** A plan whose ring got what it lacked, with the nodes of the quads that fill it. */
export interface FlowCap {
  partition: Partition;
  cap: Cap;
}

/** Each time a block can't be filled its chords are left out, and it is tried again. */
const TRIES = 4;

/** Fills a layer's rings with quads that flow along them. Undefined where no valid filling was found. */
export function flowCap(p: Partition, outline: Outline, layer: number, options: FlowCapOptions): FlowCap | undefined {
  const line = ringLine(p, layer);
  if (!line) return undefined;
  // rows that were paired tangle now and then where others do not
  return (
    filledCap(line, { p, outline, layer, options, isPaired: true }) ??
    filledCap(line, { p, outline, layer, options, isPaired: false })
  );
}

interface CapToFill {
  p: Partition;
  outline: Outline;
  layer: number;
  options: FlowCapOptions;
  /** whether points of facing sides go together by where they lie, or by their number alone */
  isPaired: boolean;
}

function filledCap(line: RingLine, { p, outline, layer, options, isPaired }: CapToFill): FlowCap | undefined {
  let stations = ringStations(line, outline, options);
  for (let i = 0; i < TRIES; i++) {
    const flow = flowBlocks(line, stations, options.reach);
    const split = splitRing(p, layer, lackingPoints(line, flow, isPaired));
    const full = split && ringLine(split, layer);
    if (!split || !full) return undefined;
    const carried = carriedOver(stations, flow, line, full);
    const again = flowBlocks(full, carried, options.reach);
    const filled = fillFlow(full, again);
    if (filled.ok) return proved(split, full, filled.patch, { layer, letterOfEdge: outline.letter });
    const bad = new Set(filled.block.edges.flatMap((e) => (e.kind === 'chord' ? [again.chords[e.index]] : [])));
    const nodes = new Set([...bad].map(({ a, b }) => `${full.node[a]} ${full.node[b]}`));
    const left = stations.chords.filter(({ a, b }) => !nodes.has(`${line.node[a]} ${line.node[b]}`));
    if (left.length === stations.chords.length) return undefined;
    stations = { ...stations, chords: left };
  }
  return undefined;
}

/** The same stations and chords among the points of a ring that got more of them. */
function carriedOver(
  { isStation, reach }: RingStations,
  { chords, stations }: FlowBlocks,
  line: RingLine,
  full: RingLine,
): RingStations {
  const place = new Map(Array.from(full.node, (node, i) => [node, i]));
  const at = (i: number): number => place.get(line.node[i]) ?? -1;
  const marked = new Uint8Array(full.x.length);
  const reaches = new Float64Array(full.x.length);
  reach.forEach((by, i) => by > 0 && (reaches[at(i)] = by));
  for (const i of stations) marked[at(i)] = 1;
  isStation.forEach((mark, i) => {
    if (mark) marked[at(i)] = 1;
  });
  return {
    isStation: marked,
    reach: reaches,
    chords: chords.map(({ a, b, count }) => ({ a: at(a), b: at(b), count })),
  };
}

/**
 * Rounds the inner points to the grid; every quad must then turn left at all four corners, and together they must have
 * exactly the rings' area.
 */
function proved(
  p: Partition,
  line: RingLine,
  { x, y, fixed, quads }: FlowPatch,
  { layer, letterOfEdge }: { layer: number; letterOfEdge: Int32Array },
): FlowCap | undefined {
  for (let i = fixed; i < x.length; i++) {
    x[i] = Math.round(x[i]);
    y[i] = Math.round(y[i]);
  }
  let filled = 0;
  for (let q = 0; q < quads.length; q += 4) {
    const [a, b, c, d] = [quads[q], quads[q + 1], quads[q + 2], quads[q + 3]];
    for (const [i, j, k] of [
      [a, b, c],
      [b, c, d],
      [c, d, a],
      [d, a, b],
    ]) {
      if (orient2d(x[i], y[i], x[j], y[j], x[k], y[k]) <= 0) return undefined;
    }
    filled += (x[c] - x[a]) * (y[d] - y[b]) - (y[c] - y[a]) * (x[d] - x[b]);
  }
  if (filled !== ringsArea(line)) return undefined;
  const start = Uint32Array.from({ length: quads.length / 4 + 1 }, (_, f) => 4 * f);
  const letters = nearestLetters(
    { start, corners: quads },
    Array.from(line.edge, (edge) => letterOfEdge[edge]),
    x.length,
  );
  return withInner(p, line, { x, y, start, corners: quads, letters, layer });
}

export interface InnerFaces {
  /** the line's points, then the inner ones, whole grid steps */
  x: readonly number[];
  y: readonly number[];
  start: Uint32Array;
  corners: readonly number[];
  letters: Int32Array;
  layer: number;
}

/** A plan with the inner points of a cap as nodes of its layer, and that cap. */
export function withInner(p: Partition, line: RingLine, { x, y, start, corners, letters, layer }: InnerFaces): FlowCap {
  const first = p.x.length;
  const fixed = line.x.length;
  const added = x.length - fixed;
  return {
    partition: {
      ...p,
      x: Float64Array.from([...p.x, ...x.slice(fixed)]),
      y: Float64Array.from([...p.y, ...y.slice(fixed)]),
      inset: Float64Array.from([...p.inset, ...new Array<number>(added).fill(p.layers[layer])]),
      layer: Int32Array.from([...p.layer, ...new Array<number>(added).fill(layer)]),
    },
    cap: {
      start,
      nodes: Uint32Array.from(corners, (i) => (i < fixed ? line.node[i] : first + i - fixed)),
      letter: letters,
    },
  };
}

/** Doubled area inside the rings; exact. */
export function ringsArea({ x, y, next }: RingLine): number {
  let sum = 0;
  next.forEach((to, i) => (sum += (x[i] - x[0]) * (y[to] - y[0]) - (x[to] - x[0]) * (y[i] - y[0])));
  return sum;
}
