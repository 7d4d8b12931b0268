import type { Outline } from './outline.ts';
import { nextVertices } from './outline.ts';

export interface Box {
  minX: number;
  minY: number;
  maxX: number;
  maxY: number;
}

export const boundingBox = (outline: Pick<Outline, 'x' | 'y'>): Box => boxOf(outline.x, outline.y);

function boxOf(x: Float64Array, y: Float64Array): Box {
  const box: Box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };
  for (let i = 0; i < x.length; i++) {
    box.minX = Math.min(box.minX, x[i]);
    box.maxX = Math.max(box.maxX, x[i]);
    box.minY = Math.min(box.minY, y[i]);
    box.maxY = Math.max(box.maxY, y[i]);
  }
  return box;
}

/** Directed segments, the inside to their left, that close to rings in whatever order they stand; grid steps. */
export interface Border {
  ax: Float64Array;
  ay: Float64Array;
  bx: Float64Array;
  by: Float64Array;
}

/**
 * Whether the second outline, moved by (dx, dy), overlaps the first or comes closer to it than `distance` grid steps.
 */
export const touches = (a: Outline, b: Outline, dx: number, dy: number, distance: number): boolean =>
  bordersTouch(borderOf(a), borderOf(b), dx, dy, distance);

/** The same of borders; exact for a distance of zero. */
export function bordersTouch(a: Border, b: Border, dx: number, dy: number, distance: number): boolean {
  if (a.ax.length === 0 || b.ax.length === 0) return false;
  const boxA = boxOf(a.ax, a.ay);
  const boxB = boxOf(b.ax, b.ay);
  const shared: Box = {
    minX: Math.max(boxA.minX, boxB.minX + dx) - distance,
    minY: Math.max(boxA.minY, boxB.minY + dy) - distance,
    maxX: Math.min(boxA.maxX, boxB.maxX + dx) + distance,
    maxY: Math.min(boxA.maxY, boxB.maxY + dy) + distance,
  };
  if (shared.minX > shared.maxX || shared.minY > shared.maxY) return false;
  const edgesA = edgesWithin(a, 0, 0, shared);
  const edgesB = edgesWithin(b, dx, dy, shared);
  for (const p of edgesA) for (const q of edgesB) if (segmentsWithin(p, q, distance)) return true;
  return windingAt(a, b.ax[0] + dx, b.ay[0] + dy) !== 0 || windingAt(b, a.ax[0] - dx, a.ay[0] - dy) !== 0;
}

function borderOf(outline: Outline): Border {
  const { x, y } = outline;
  const next = nextVertices(outline);
  return { ax: x, ay: y, bx: x.map((_, i) => x[next[i]]), by: y.map((_, i) => y[next[i]]) };
}

type Segment = [number, number, number, number];

function edgesWithin({ ax, ay, bx, by }: Border, dx: number, dy: number, box: Box): Segment[] {
  const found: Segment[] = [];
  for (let i = 0; i < ax.length; i++) {
    const [x0, y0] = [ax[i] + dx, ay[i] + dy];
    const [x1, y1] = [bx[i] + dx, by[i] + dy];
    if (Math.max(x0, x1) < box.minX || Math.min(x0, x1) > box.maxX) continue;
    if (Math.max(y0, y1) < box.minY || Math.min(y0, y1) > box.maxY) continue;
    found.push([x0, y0, x1, y1]);
  }
  return found;
}

function segmentsWithin(p: Segment, q: Segment, distance: number): boolean {
  if (Math.min(p[0], p[2]) - distance > Math.max(q[0], q[2]) || Math.min(q[0], q[2]) - distance > Math.max(p[0], p[2]))
    return false;
  if (Math.min(p[1], p[3]) - distance > Math.max(q[1], q[3]) || Math.min(q[1], q[3]) - distance > Math.max(p[1], p[3]))
    return false;
  const side = (s: Segment, x: number, y: number): number => (s[2] - s[0]) * (y - s[1]) - (s[3] - s[1]) * (x - s[0]);
  // with their boxes on each other this holds for segments in one line too
  const meets =
    Math.sign(side(p, q[0], q[1])) * Math.sign(side(p, q[2], q[3])) <= 0 &&
    Math.sign(side(q, p[0], p[1])) * Math.sign(side(q, p[2], p[3])) <= 0;
  if (meets) return true;
  const limit = distance * distance;
  return (
    pointToSegment(p, q[0], q[1]) <= limit ||
    pointToSegment(p, q[2], q[3]) <= limit ||
    pointToSegment(q, p[0], p[1]) <= limit ||
    pointToSegment(q, p[2], p[3]) <= limit
  );
}

function pointToSegment(s: Segment, x: number, y: number): number {
  const ux = s[2] - s[0];
  const uy = s[3] - s[1];
  const t = Math.min(1, Math.max(0, ((x - s[0]) * ux + (y - s[1]) * uy) / (ux * ux + uy * uy)));
  const dx = x - s[0] - t * ux;
  const dy = y - s[1] - t * uy;
  return dx * dx + dy * dy;
}

/** Winding number of a border about a point that does not lie on it. */
function windingAt({ ax, ay, bx, by }: Border, x: number, y: number): number {
  let winding = 0;
  for (let i = 0; i < ax.length; i++) {
    const up = ay[i] <= y;
    if (up === by[i] <= y) continue;
    const side = (bx[i] - ax[i]) * (y - ay[i]) - (by[i] - ay[i]) * (x - ax[i]);
    if (up ? side > 0 : side < 0) winding += up ? 1 : -1;
  }
  return winding;
}
