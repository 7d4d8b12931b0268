import { lengthOf } from '../../math/index.ts';
import type { Partition } from '../wavefront/index.ts';

/**
 * The closed rings of one layer as rows: point i is followed by `next[i]`, the inside lies to the left of the segment i
 * -> next[i]. Grid steps. Rings keep the order and the first point of the plan's own row.
 */
export interface RingLine {
  /** node of the plan; -1 for points that only cut long segments */
  node: Int32Array;
  x: Float64Array;
  y: Float64Array;
  next: Uint32Array;
  prev: Uint32Array;
  /** ring of each point, by its first point's place */
  ring: Uint32Array;
  /** outline edge that the segment i -> next[i] was offset from */
  edge: Uint32Array;
  /** of segment i: length, and the unit normal to the inside */
  length: Float64Array;
  nx: Float64Array;
  ny: Float64Array;
  /** length from the ring's first point to point i, and of the whole ring */
  at: Float64Array;
  around: Float64Array;
  fan: FanPlace[];
}

/**
 * Where a ring goes round a sharp concave corner in several steps of its own: short segments with the edge after the
 * corner as their source.
 */
export type FanPlace = 'none' | 'start' | 'inside' | 'end';

/**
 * Undefined where rings touch themselves: what runs along them could not be told apart. `longest`: segments are cut to
 * this length.
 */
export function ringLine(p: Partition, layer: number, longest = Infinity): RingLine | undefined {
  const { from, to, edge } = p.rings[layer];
  const segmentFrom = new Map<number, number>();
  for (let i = 0; i < from.length; i++) segmentFrom.set(from[i], i);
  if (segmentFrom.size < from.length) return undefined;
  const rows: Rows = { node: [], x: [], y: [], edge: [], ring: [], fan: [] };
  const seen = new Uint8Array(from.length);
  for (let first = 0; first < from.length; first++) {
    const loop: number[] = [];
    for (let i: number | undefined = first; i !== undefined && !seen[i]; i = segmentFrom.get(to[i])) {
      seen[i] = 1;
      loop.push(i);
    }
    addRing(rows, p, { loop: loop.map((i) => ({ node: from[i], edge: edge[i] })), longest });
  }
  return measured(rows);
}

interface Rows {
  node: number[];
  x: number[];
  y: number[];
  edge: number[];
  ring: number[];
  fan: FanPlace[];
}

function addRing(
  rows: Rows,
  p: Partition,
  { loop, longest }: { loop: readonly { node: number; edge: number }[]; longest: number },
): void {
  const start = rows.node.length;
  const n = loop.length;
  loop.forEach(({ node, edge }, i) => {
    const after = loop[(i + 1) % n];
    const isSameBefore = loop[(i + n - 1) % n].edge === edge;
    const isStep = after.edge === edge;
    const fan = isSameBefore ? (isStep ? 'inside' : 'end') : isStep ? 'start' : 'none';
    const [ax, ay, bx, by] = [p.x[node], p.y[node], p.x[after.node], p.y[after.node]];
    const parts = isStep ? 1 : Math.max(1, Math.ceil(lengthOf(bx - ax, by - ay) / longest));
    for (let k = 0; k < parts; k++) {
      rows.node.push(k === 0 ? node : -1);
      rows.x.push(ax + ((bx - ax) * k) / parts);
      rows.y.push(ay + ((by - ay) * k) / parts);
      rows.edge.push(edge);
      rows.ring.push(start);
      rows.fan.push(k === 0 ? fan : 'none');
    }
  });
}

function measured(rows: Rows): RingLine {
  const n = rows.node.length;
  const [x, y] = [Float64Array.from(rows.x), Float64Array.from(rows.y)];
  const ring = Uint32Array.from(rows.ring);
  const [next, prev] = [new Uint32Array(n), new Uint32Array(n)];
  for (let i = 0; i < n; i++) {
    next[i] = i + 1 < n && ring[i + 1] === ring[i] ? i + 1 : ring[i];
    prev[next[i]] = i;
  }
  const [length, nx, ny, at, around] = [0, 0, 0, 0, 0].map(() => new Float64Array(n));
  for (let i = 0; i < n; i++) {
    const [dx, dy] = [x[next[i]] - x[i], y[next[i]] - y[i]];
    length[i] = lengthOf(dx, dy);
    nx[i] = -dy / length[i];
    ny[i] = dx / length[i];
    if (next[i] > i) at[next[i]] = at[i] + length[i];
    else around.fill(at[i] + length[i], ring[i], i + 1);
  }
  const [node, edge] = [Int32Array.from(rows.node), Uint32Array.from(rows.edge)];
  return { node, x, y, next, prev, ring, edge, length, nx, ny, at, around, fan: rows.fan };
}

/** Sine and cosine of the turn at point i; positive where the inside is convex. */
export function turnAt({ nx, ny, prev }: RingLine, i: number): { sine: number; cosine: number } {
  const j = prev[i];
  return { sine: nx[j] * ny[i] - ny[j] * nx[i], cosine: nx[j] * nx[i] + ny[j] * ny[i] };
}

/** The middle of both sides' normals at point i, unit. */
export function ringNormal({ nx, ny, prev }: RingLine, i: number): { x: number; y: number } {
  const [x, y] = [nx[i] + nx[prev[i]], ny[i] + ny[prev[i]]];
  const l = lengthOf(x, y);
  return l > 1e-9 ? { x: x / l, y: y / l } : { x: nx[i], y: ny[i] };
}

/** A place on the rings: on segment `segment`, `along` of its length from its start. */
export interface RingPlace {
  segment: number;
  along: number;
  x: number;
  y: number;
}

/** The place `at` along the ring that `first` begins; `at` is taken round the ring. */
export function ringPlace(line: RingLine, ringStart: number, at: number): RingPlace {
  const around = line.around[ringStart];
  const s = at < 0 ? at + around : at >= around ? at - around : at;
  // the ring's last point comes before its first
  let low = ringStart;
  let high = line.prev[ringStart];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (line.at[middle] <= s) low = middle;
    else high = middle - 1;
  }
  const along = Math.min(1, (s - line.at[low]) / line.length[low]);
  const to = line.next[low];
  return {
    segment: low,
    along,
    x: line.x[low] + along * (line.x[to] - line.x[low]),
    y: line.y[low] + along * (line.y[to] - line.y[low]),
  };
}

/** Length along its ring from the ring's first point. */
export const lengthTo = (line: RingLine, { segment, along }: Pick<RingPlace, 'segment' | 'along'>): number =>
  line.at[segment] + along * line.length[segment];
