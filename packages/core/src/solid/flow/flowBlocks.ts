import { sidesOf, traceBlocks, type Block, type BlockEdge } from './blocks.ts';
import { BLOCK_CORNER } from './counts.ts';
import { crosses } from './crossing.ts';
import type { RingLine } from './ringLine.ts';
import type { RingStations } from './ringStations.ts';
import { normalBeyond } from './softCorners.ts';
import type { RingSplit } from './splitRing.ts';

/** Blocks over the points of a ring line. */
export interface FlowBlocks {
  /** points of the line that are stations; blocks count stations by their place here */
  stations: number[];
  chords: { a: number; b: number; count: number }[];
  blocks: Block[];
}

/** Blocks of a layer, with chords left out that cross what they must not. */
export function flowBlocks(line: RingLine, { isStation, reach, chords }: RingStations, near: number): FlowBlocks {
  const marked = isStation.slice();
  line.ring.forEach((first) => (marked[first] ||= hasStation(line, marked, first) ? 0 : 1));
  const stations: number[] = [];
  const place = new Int32Array(line.x.length).fill(-1);
  marked.forEach((mark, i) => {
    if (mark) place[i] = stations.push(i) - 1;
  });
  const kept = clearChords(line, chords, near);
  const leaving = stations.map((i) =>
    reach[i] > 0 ? normalBeyond(line, i, reach[i]) : { x: line.nx[i], y: line.ny[i] },
  );
  const arriving = stations.map((i) => normalBeyond(line, i, reach[i] > 0 ? -reach[i] : -1e-9));
  const blocks = traceBlocks({
    x: stations.map((i) => line.x[i]),
    y: stations.map((i) => line.y[i]),
    spanTo: stations.map((i) => place[spanEnd(line, marked, i)]),
    leaveX: leaving.map(({ y }) => y),
    leaveY: leaving.map(({ x }) => -x),
    arriveX: arriving.map(({ y }) => y),
    arriveY: arriving.map(({ x }) => -x),
    chords: kept.map(({ a, b }) => ({ a: place[a], b: place[b] })),
  });
  return { stations, chords: kept, blocks };
}

function hasStation(line: RingLine, marked: Uint8Array, first: number): boolean {
  for (let i = first; i < line.ring.length && line.ring[i] === first; i++) if (marked[i]) return true;
  return false;
}

function spanEnd(line: RingLine, marked: Uint8Array, from: number): number {
  let i = line.next[from];
  while (!marked[i]) i = line.next[i];
  return i;
}

/** Points of the stretch from a station to the next one, both ends included. */
export function spanPoints(
  line: RingLine,
  { stations }: Pick<FlowBlocks, 'stations'>,
  { from, to }: BlockEdge,
): number[] {
  const points = [stations[from]];
  do points.push(line.next[points[points.length - 1]]);
  while (points[points.length - 1] !== stations[to]);
  return points;
}

function clearChords(line: RingLine, chords: FlowBlocks['chords'], reach: number): FlowBlocks['chords'] {
  const at = (i: number): { x: number; y: number } => ({ x: line.x[i], y: line.y[i] });
  const kept: FlowBlocks['chords'] = [];
  for (const chord of chords) {
    const [a, b] = [at(chord.a), at(chord.b)];
    const leaves = leavesInside(line, chord.a, b) && leavesInside(line, chord.b, a);
    const meetsRing = (): boolean => {
      for (let i = 0; i < line.x.length; i++) if (crosses(a, b, at(i), at(line.next[i]), reach)) return true;
      return false;
    };
    const isTwin = kept.some((k) => (k.a === chord.a && k.b === chord.b) || (k.a === chord.b && k.b === chord.a));
    if (!leaves || isTwin || kept.some((k) => crosses(a, b, at(k.a), at(k.b), reach)) || meetsRing()) continue;
    kept.push(chord);
  }
  return kept;
}

/** From point i towards `to` the way goes inside. */
function leavesInside(line: RingLine, i: number, to: { x: number; y: number }): boolean {
  const j = line.prev[i];
  const [x, y] = [to.x - line.x[i], to.y - line.y[i]];
  const on = line.nx[i] * x + line.ny[i] * y > 0;
  const back = line.nx[j] * x + line.ny[j] * y > 0;
  const isConvex = line.nx[j] * line.ny[i] - line.ny[j] * line.nx[i] >= 0;
  return isConvex ? on && back : on || back;
}

/** Of a short side's count: the most that is added to it to match the one across. */
const MOST_ADDED = 0.6;

/**
 * Points that the rings lack: every stretch needs an even number of edges, at least two, and a four-sided block the same number on opposite sides. Points are only put into
 * stretches of ring, which belong to one block each.
 */
export function lackingPoints(line: RingLine, flow: FlowBlocks): RingSplit[] {
  const edges = new Map<number, number>();
  flow.stations.forEach((_, s) => edges.set(s, 0));
  const spans = flow.blocks.flatMap(({ edges }) => edges.filter(({ kind }) => kind === 'span'));
  for (const span of spans) edges.set(span.index, spanPoints(line, flow, span).length - 1);
  const wanted = new Map<number, number>();
  for (const { index, from, to } of spans) {
    const have = edges.get(index) ?? 0;
    wanted.set(index, Math.max(have + (have % 2), from === to ? 6 : 2));
  }
  const countOf = (e: BlockEdge): number =>
    e.kind === 'span' ? (wanted.get(e.index) ?? 0) : flow.chords[e.index].count;
  const sum = (side: readonly BlockEdge[]): number => side.reduce((total, e) => total + countOf(e), 0);
  for (const block of flow.blocks) {
    const sides = sidesOf(block, BLOCK_CORNER);
    if (sides.length !== 4) continue;
    for (const [one, other] of [
      [sides[0], sides[2]],
      [sides[1], sides[3]],
    ]) {
      const missing = sum(other) - sum(one);
      const short = missing > 0 ? one : other;
      const span = short.filter(({ kind }) => kind === 'span').sort((p, q) => countOf(q) - countOf(p))[0];
      if (missing === 0 || !span || Math.abs(missing) > Math.max(2, MOST_ADDED * sum(short))) continue;
      wanted.set(span.index, countOf(span) + Math.abs(missing));
    }
  }
  return spans.flatMap((span) => {
    const points = spanPoints(line, flow, span);
    return splits(line, points, (wanted.get(span.index) ?? 0) - (points.length - 1));
  });
}

/** New points go where edges are longest. */
function splits(line: RingLine, points: readonly number[], added: number): RingSplit[] {
  const count = new Array<number>(points.length - 1).fill(0);
  for (let k = 0; k < added; k++) {
    let longest = 0;
    for (let i = 1; i < count.length; i++) {
      if (line.length[points[i]] / (count[i] + 1) > line.length[points[longest]] / (count[longest] + 1)) longest = i;
    }
    count[longest]++;
  }
  return count.flatMap((n, i) =>
    n > 0 ? [{ from: line.node[points[i]], to: line.node[points[i + 1]], count: n }] : [],
  );
}
