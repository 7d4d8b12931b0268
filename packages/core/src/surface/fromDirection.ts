import { dot, minus, plus, sizeOf, type Vec3 } from '../math/index.ts';
import { heldPlane, onPlane, type Hold, type PlaneAxes } from './anchor.ts';
import {
  eachNode,
  gridFor,
  isOff,
  NODE,
  normalAt,
  placeAt,
  setNode,
  type GridFrame,
  type SurfaceGrid,
} from './surfaceGrid.ts';
import type { Target } from './target.ts';

/** Cosine between a surface and the line of sight, below which it is too steep to take letters: 80 degrees. */
const STEEPEST = 0.17;
/** Of a cell: neighbours that lie farther apart along the line of sight are not the same surface. */
const JUMP = 5;
/** Rounds of finding the place from which the normal leads to where the front has to be. */
const ROUNDS = 5;

export interface DirectionOptions {
  nodes: number;
  /** over the surface, mm: where the front has to look as it does flat */
  front: number;
}

/**
 * Lays a plane onto a model along one direction. Depth goes out along the surface's normals, so the place on the
 * surface is sought from which the normal leads to the front's own place: seen along the direction the front is exactly
 * the flat one.
 */
export function layFromDirection(
  target: Target,
  hold: Hold,
  frame: GridFrame,
  { nodes, front }: DirectionOptions,
): SurfaceGrid {
  const grid = gridFor(frame, nodes);
  const axes = heldPlane(hold);
  eachNode(grid, (node, x, y) => {
    const first = onPlane(axes, hold.from, x, y);
    let seen = look(target, axes, first);
    for (let n = 0; seen && n < ROUNDS; n++) {
      const next = look(target, axes, plus(first, sidewise(axes, seen.normal), -front));
      if (!next) break;
      seen = next;
    }
    setNode(grid, node, seen ? { ...seen, isOff: false } : { at: first, normal: axes.out, isOff: true });
  });
  markJumps(grid, axes);
  fillGaps(grid, (node, from) => toPlane({ grid, axes, hold }, node, from));
  return grid;
}

/**
 * Where the surface lies under a place of the plane, when the normal over it is known. Undefined where the line of
 * sight meets none.
 */
export function underFront(
  target: Target,
  hold: Hold,
  front: number,
): (x: number, y: number, normal: Vec3) => Vec3 | undefined {
  const axes = heldPlane(hold);
  return (x, y, normal) => look(target, axes, plus(onPlane(axes, hold.from, x, y), sidewise(axes, normal), -front))?.at;
}

function look(target: Target, { out }: PlaneAxes, from: Vec3): { at: Vec3; normal: Vec3 } | undefined {
  const seen = target.hit(from, out.map((v) => 0 - v) as Vec3);
  if (!seen) return undefined;
  const normal = target.normalAt(seen);
  return dot(normal, out) > STEEPEST ? { at: seen.at, normal } : undefined;
}

/** What of a normal lies in the plane. */
const sidewise = ({ across, up }: PlaneAxes, normal: Vec3): Vec3 =>
  plus(across.map((v) => v * dot(normal, across)) as Vec3, up, dot(normal, up));

/** The farther ones of neighbours between which the surface jumps: a silhouette lies there. */
function markJumps(grid: SurfaceGrid, { out }: PlaneAxes): void {
  const off = new Set<number>();
  eachNode(grid, (node) => {
    for (const [other, step] of neighbours(grid, node)) {
      if (isOff(grid, node) || isOff(grid, other)) continue;
      const behind = dot(minus(placeAt(grid, other), placeAt(grid, node)), out);
      if (behind > JUMP * step) off.add(node);
    }
  });
  for (const node of off) grid.nodes[NODE * node + 7] = 1;
}

function neighbours({ columns, rows, dx, dy }: SurfaceGrid, node: number): [number, number][] {
  const [i, j] = [node % columns, Math.floor(node / columns)];
  return [
    ...(i > 0 ? [[node - 1, dx]] : []),
    ...(i + 1 < columns ? [[node + 1, dx]] : []),
    ...(j > 0 ? [[node - columns, dy]] : []),
    ...(j + 1 < rows ? [[node + columns, dy]] : []),
  ] as [number, number][];
}

/** Nodes beside the model take what the nearest one on it makes of them, ring after ring. */
function fillGaps(grid: SurfaceGrid, fill: (node: number, from: number) => void): void {
  const source = new Int32Array(grid.columns * grid.rows).fill(-1);
  let ring: number[] = [];
  eachNode(grid, (node) => {
    if (isOff(grid, node)) return;
    source[node] = node;
    ring.push(node);
  });
  while (ring.length > 0) {
    const next: number[] = [];
    for (const node of ring) {
      for (const [other] of neighbours(grid, node)) {
        if (source[other] >= 0) continue;
        source[other] = source[node];
        fill(other, source[node]);
        next.push(other);
      }
    }
    ring = next;
  }
}

/** Where the line of sight of a node meets the tangent plane at another, no steeper than 45 degrees. */
function toPlane(
  { grid, axes, hold }: { grid: SurfaceGrid; axes: PlaneAxes; hold: Hold },
  node: number,
  from: number,
): void {
  const [i, j] = [node % grid.columns, Math.floor(node / grid.columns)];
  const place = onPlane(axes, hold.from, grid.x + i * grid.dx, grid.y + j * grid.dy);
  const [at, normal] = [placeAt(grid, from), normalAt(grid, from)];
  const way = minus(at, place);
  const aside = sidewise(axes, way);
  const steep = dot(normal, axes.out);
  const rise = dot(sidewise(axes, normal), aside) / Math.max(steep, 1e-9);
  const most = sizeOf(aside);
  const deep = dot(way, axes.out) + Math.max(-most, Math.min(most, rise));
  setNode(grid, node, { at: plus(place, axes.out, deep), normal, isOff: true });
}
