import { traceBlocks, type Block, type BlockEdge } from './blocks.ts';
import { crosses } from './crossing.ts';
import type { RingLine } from './ringLine.ts';
import type { RingStations } from './ringStations.ts';
import { normalBeyond } from './softCorners.ts';

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
