import type { MovingEdges } from './movingEdges.ts';
import { ANTI_PARALLEL } from './tolerances.ts';

/** A corner of the moving front between the edges `left` (arriving) and `right` (leaving), in a doubly linked ring. */
export interface WaveVertex {
  x: number;
  y: number;
  /** time of birth, where it stood at (x, y) */
  born: number;
  vx: number;
  vy: number;
  left: number;
  right: number;
  prev: WaveVertex;
  next: WaveVertex;
  /** node of the plan at which its present trace begins */
  node: number;
  alive: boolean;
  reflex: boolean;
  /** its edges lie on one line and face each other */
  zips: boolean;
  version: number;
  /** foreseen hits on edges, soonest last */
  hits: { time: number; edge: number }[];
}

export const xAt = (v: WaveVertex, time: number): number => v.x + v.vx * (time - v.born);
export const yAt = (v: WaveVertex, time: number): number => v.y + v.vy * (time - v.born);

/** A vertex between two moving edges, still without a place or neighbours. */
export function newWaveVertex(edges: MovingEdges, left: number, right: number, node: number): WaveVertex {
  const { nx, ny, dx, dy } = edges;
  const dot = nx[left] * nx[right] + ny[left] * ny[right];
  const cross = dx[left] * dy[right] - dy[left] * dx[right];
  const zips = dot < 0 && Math.abs(cross) < ANTI_PARALLEL;
  const v = {
    x: 0,
    y: 0,
    born: 0,
    vx: zips ? 0 : (nx[left] + nx[right]) / (1 + dot),
    vy: zips ? 0 : (ny[left] + ny[right]) / (1 + dot),
    left,
    right,
    node,
    alive: true,
    reflex: cross < -1e-12 && !zips,
    zips,
    version: 0,
    hits: [],
  } as unknown as WaveVertex;
  v.prev = v;
  v.next = v;
  return v;
}

/** Start position: where the lines of two edges meet (the outline's own point (x, y) unless it was jittered). */
export function placeOnLines(v: WaveVertex, e: MovingEdges, before: number, after: number, x: number, y: number): void {
  const det = e.nx[before] * e.ny[after] - e.ny[before] * e.nx[after];
  v.x = x;
  v.y = y;
  if (Math.abs(det) < 1e-3) return;
  v.x = (e.c[before] * e.ny[after] - e.c[after] * e.ny[before]) / det;
  v.y = (e.nx[before] * e.c[after] - e.nx[after] * e.c[before]) / det;
}
