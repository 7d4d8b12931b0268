import type { Outline } from './outline.ts';
import { nextVertices } from './outline.ts';

export interface Box {
  minX: number;
  minY: number;
  maxX: number;
  maxY: number;
}

export function boundingBox(outline: Outline): Box {
  const box: Box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };
  for (let i = 0; i < outline.x.length; i++) {
    box.minX = Math.min(box.minX, outline.x[i]);
    box.maxX = Math.max(box.maxX, outline.x[i]);
    box.minY = Math.min(box.minY, outline.y[i]);
    box.maxY = Math.max(box.maxY, outline.y[i]);
  }
  return box;
}

/** Whether the second outline, moved by (dx, dy), overlaps the first or comes closer to it than `distance` grid steps. */
export function touches(a: Outline, b: Outline, dx: number, dy: number, distance: number): boolean {
  if (a.x.length === 0 || b.x.length === 0) return false;
  const boxA = boundingBox(a);
  const boxB = boundingBox(b);
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
  return windingAt(a, b.x[0] + dx, b.y[0] + dy) !== 0 || windingAt(b, a.x[0] - dx, a.y[0] - dy) !== 0;
}

type Segment = [number, number, number, number];

function edgesWithin(outline: Outline, dx: number, dy: number, box: Box): Segment[] {
  const next = nextVertices(outline);
  const found: Segment[] = [];
  for (let i = 0; i < outline.x.length; i++) {
    const [x0, y0] = [outline.x[i] + dx, outline.y[i] + dy];
    const [x1, y1] = [outline.x[next[i]] + dx, outline.y[next[i]] + dy];
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
  const crosses =
    Math.sign(side(p, q[0], q[1])) * Math.sign(side(p, q[2], q[3])) < 0 &&
    Math.sign(side(q, p[0], p[1])) * Math.sign(side(q, p[2], p[3])) < 0;
  if (crosses) return true;
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

/** Winding number of an outline about a point that does not lie on it. */
function windingAt(outline: Outline, x: number, y: number): number {
  const next = nextVertices(outline);
  let winding = 0;
  for (let i = 0; i < outline.x.length; i++) {
    const j = next[i];
    const up = outline.y[i] <= y;
    if (up === outline.y[j] <= y) continue;
    const side =
      (outline.x[j] - outline.x[i]) * (y - outline.y[i]) - (outline.y[j] - outline.y[i]) * (x - outline.x[i]);
    if (up ? side > 0 : side < 0) winding += up ? 1 : -1;
  }
  return winding;
}
