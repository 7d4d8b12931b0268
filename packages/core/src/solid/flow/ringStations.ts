import { nextVertices, type Outline } from '../../outline/index.ts';
import type { FlowPlan } from './planFlow.ts';
import { turnAt, type RingLine } from './ringLine.ts';
import { CORNER_COSINE } from './cornerCosine.ts';

/** Points of a ring line that are ends of spans, and the chords between them by point. */
export interface RingStations {
  isStation: Uint8Array;
  /** how far bends reach that count as corners, by point; 0 elsewhere */
  reach: Float64Array;
  chords: { a: number; b: number; count: number }[];
}

/** Of the size: a station without a vertex of its own is the point that lies nearest, if it lies within this. */
const NEAREST = 0.5;

/** Finds a plan's stations among the points that a layer of the new outline's plan has. */
export function ringStations(
  line: RingLine,
  outline: Outline,
  { plan, vertexOf, size }: { plan: FlowPlan; vertexOf: Int32Array; size: number },
): RingStations {
  const pointOf = pointsOfVertices(line, outline);
  const isStation = new Uint8Array(line.x.length);
  const reach = new Float64Array(line.x.length);
  const pointOfStation = plan.stations.map((station, s) => {
    const found = vertexOf[s] >= 0 ? pointOf[vertexOf[s]] : nearest(line, station, NEAREST * size);
    return found >= 0 && station.fan === 'end' ? fanEnd(line, found) : found;
  });
  plan.stations.forEach((station, s) => {
    const point = pointOfStation[s];
    if (station.reach === 0 || point < 0) return;
    isStation[point] = 1;
    reach[point] = station.reach;
  });
  const chords = plan.chords.flatMap(({ a, b, count }) => {
    const [p, q] = [pointOfStation[a], pointOfStation[b]];
    return p >= 0 && q >= 0 && p !== q && line.next[p] !== q && line.next[q] !== p ? [{ a: p, b: q, count }] : [];
  });
  for (const { a, b } of chords) isStation[a] = isStation[b] = 1;
  for (let i = 0; i < line.x.length; i++)
    if (turnAt(line, i).cosine < CORNER_COSINE && line.fan[i] !== 'inside') isStation[i] = 1;
  return { isStation, reach, chords };
}

/** The last point of the steps round a sharp corner that begin at point i. */
function fanEnd(line: RingLine, i: number): number {
  let end = i;
  while (line.edge[end] === line.edge[line.next[end]]) end = line.next[end];
  return end;
}

function nearest(line: RingLine, { x, y }: { x: number; y: number }, within: number): number {
  let [found, least] = [-1, within * within];
  for (let i = 0; i < line.x.length; i++) {
    const square = (line.x[i] - x) * (line.x[i] - x) + (line.y[i] - y) * (line.y[i] - y);
    if (square < least) [found, least] = [i, square];
  }
  return found;
}

/**
 * By outline vertex: the point of the line that it has become, -1 where it vanished. Vertices whose edges vanished
 * between them share one.
 */
export function pointsOfVertices(line: RingLine, outline: Outline): Int32Array {
  const next = nextVertices(outline);
  const found = new Int32Array(outline.x.length).fill(-1);
  const stretches: { point: number; vertices: number[] }[] = [];
  for (let i = 0; i < line.x.length; i++) {
    const [before, after] = [line.edge[line.prev[i]], line.edge[i]];
    if (before === after) continue;
    const vertices: number[] = [];
    for (let v = next[before]; vertices.length <= found.length; v = next[v]) {
      vertices.push(v);
      if (v === after || v === before) break;
    }
    if (vertices[vertices.length - 1] === after) stretches.push({ point: i, vertices });
  }
  // a stretch that holds another loop's vertices leaves them to it
  stretches.sort((p, q) => p.vertices.length - q.vertices.length);
  for (const { point, vertices } of stretches) for (const v of vertices) if (found[v] < 0) found[v] = point;
  return found;
}
