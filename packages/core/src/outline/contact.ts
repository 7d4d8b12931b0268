import type { VertexRing } from './outline.ts';

/** How the edges of an outline lie to each other. */
export type Contact = 'clear' | 'near' | 'crossing';

interface Edges {
  ax: Float64Array;
  ay: Float64Array;
  bx: Float64Array;
  by: Float64Array;
  next: Uint32Array;
  count: number;
}

/**
 * 'crossing' when two edges cross or touch, or one folds back onto its neighbour: exact on the grid. 'near' when two
 * that are no neighbours come closer than `nearDistance` grid steps. Sweep along x with a list of active edges.
 */
export function contact(rings: readonly VertexRing[], nearDistance: number): Contact {
  const edges = collect(rings);
  const left = Float64Array.from(edges.ax, (x, i) => Math.min(x, edges.bx[i]));
  const right = Float64Array.from(edges.ax, (x, i) => Math.max(x, edges.bx[i]));
  const order = Uint32Array.from(left.keys()).sort((i, j) => left[i] - left[j]);
  const active: number[] = [];
  let found: Contact = 'clear';
  for (const i of order) {
    const edge = left[i] - nearDistance;
    let kept = 0;
    for (const j of active) {
      if (right[j] < edge) continue;
      active[kept++] = j;
      if (!boxesMeetInY(edges, i, j, nearDistance)) continue;
      const pair = contactOfPair(edges, i, j, nearDistance);
      if (pair === 'crossing') return 'crossing';
      if (pair === 'near') found = 'near';
    }
    active.length = kept;
    active.push(i);
  }
  return found;
}

function collect(rings: readonly VertexRing[]): Edges {
  const count = rings.reduce((sum, ring) => sum + ring.length, 0);
  const edges: Edges = {
    ax: new Float64Array(count),
    ay: new Float64Array(count),
    bx: new Float64Array(count),
    by: new Float64Array(count),
    next: new Uint32Array(count),
    count,
  };
  let at = 0;
  for (const ring of rings) {
    const first = at;
    ring.forEach((v, i) => {
      const w = ring[(i + 1) % ring.length];
      edges.ax[at] = v.x;
      edges.ay[at] = v.y;
      edges.bx[at] = w.x;
      edges.by[at] = w.y;
      edges.next[at] = i + 1 < ring.length ? at + 1 : first;
      at++;
    });
  }
  return edges;
}

function boxesMeetInY(e: Edges, i: number, j: number, grow: number): boolean {
  return (
    Math.min(e.ay[i], e.by[i]) - grow <= Math.max(e.ay[j], e.by[j]) &&
    Math.min(e.ay[j], e.by[j]) - grow <= Math.max(e.ay[i], e.by[i])
  );
}

function contactOfPair(e: Edges, i: number, j: number, nearDistance: number): Contact {
  if (e.next[i] === j) return foldsBack(e, i, j) ? 'crossing' : 'clear';
  if (e.next[j] === i) return foldsBack(e, j, i) ? 'crossing' : 'clear';
  if (segmentsMeet(e, i, j)) return 'crossing';
  return nearDistance > 0 && segmentDistanceSquared(e, i, j) < nearDistance * nearDistance ? 'near' : 'clear';
}

function foldsBack(e: Edges, i: number, j: number): boolean {
  const ux = e.bx[i] - e.ax[i];
  const uy = e.by[i] - e.ay[i];
  const vx = e.bx[j] - e.ax[j];
  const vy = e.by[j] - e.ay[j];
  return ux * vy - uy * vx === 0 && ux * vx + uy * vy <= 0;
}

const side = (e: Edges, i: number, x: number, y: number): number =>
  Math.sign((e.bx[i] - e.ax[i]) * (y - e.ay[i]) - (e.by[i] - e.ay[i]) * (x - e.ax[i]));

function segmentsMeet(e: Edges, i: number, j: number): boolean {
  const a = side(e, i, e.ax[j], e.ay[j]);
  const b = side(e, i, e.bx[j], e.by[j]);
  if (a * b > 0) return false;
  const c = side(e, j, e.ax[i], e.ay[i]);
  const d = side(e, j, e.bx[i], e.by[i]);
  if (c * d > 0) return false;
  if (a !== 0 || b !== 0) return true;
  return boxesMeetInX(e, i, j) && boxesMeetInY(e, i, j, 0);
}

function boxesMeetInX(e: Edges, i: number, j: number): boolean {
  return (
    Math.min(e.ax[i], e.bx[i]) <= Math.max(e.ax[j], e.bx[j]) && Math.min(e.ax[j], e.bx[j]) <= Math.max(e.ax[i], e.bx[i])
  );
}

function segmentDistanceSquared(e: Edges, i: number, j: number): number {
  return Math.min(
    pointDistanceSquared(e, i, e.ax[j], e.ay[j]),
    pointDistanceSquared(e, i, e.bx[j], e.by[j]),
    pointDistanceSquared(e, j, e.ax[i], e.ay[i]),
    pointDistanceSquared(e, j, e.bx[i], e.by[i]),
  );
}

function pointDistanceSquared(e: Edges, i: number, x: number, y: number): number {
  const ux = e.bx[i] - e.ax[i];
  const uy = e.by[i] - e.ay[i];
  const length = ux * ux + uy * uy;
  const t = length === 0 ? 0 : Math.min(1, Math.max(0, ((x - e.ax[i]) * ux + (y - e.ay[i]) * uy) / length));
  const dx = x - e.ax[i] - t * ux;
  const dy = y - e.ay[i] - t * uy;
  return dx * dx + dy * dy;
}
