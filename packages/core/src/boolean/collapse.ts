import { distanceToStretch, dot, minus, sizeOf } from '../math/index.ts';
import type { TouchedSurface } from './touched.ts';

export interface CollapseBounds {
  /** no border moves farther, mm */
  byMm: number;
  /** vertices that take no part in it */
  held: ReadonlySet<number>;
}

/**
 * Collapses edges of slivers where that moves no border too far and turns nothing over; gives the farthest move, mm.
 */
export function collapseSlivers(surface: TouchedSurface, { byMm, held }: CollapseBounds): number {
  let moved = 0;
  for (const t of surface.left()) {
    if (surface.isGone(t) || !surface.isSliver(t)) continue;
    const [a, b, c] = surface.cornersOf(t);
    const ways = [
      [a, b],
      [b, c],
      [c, a],
      [b, a],
      [c, b],
      [a, c],
    ] as const;
    const lengthOf = ([v, u]: readonly [number, number]): number => sizeOf(minus(surface.place(u), surface.place(v)));
    for (const way of [...ways].sort((p, q) => lengthOf(p) - lengthOf(q))) {
      if (way.some((v) => held.has(v))) continue;
      const by = moveOf(surface, way, byMm);
      if (by === undefined || !isSound(surface, way)) continue;
      collapse(surface, way);
      moved = Math.max(moved, by);
      break;
    }
  }
  return moved;
}

type CollapseWay = readonly [gone: number, stays: number];

/** How far a border moves when a vertex goes; undefined where it may not go. */
function moveOf(surface: TouchedSurface, [v, u]: CollapseWay, byMm: number): number | undefined {
  if (surface.fixed.has(v)) return undefined;
  const ring = surface.ringOf(v);
  const way = minus(surface.place(u), surface.place(v));
  const off = Math.max(...ring.map((t) => Math.abs(dot(surface.normalOf(t), way))));
  if (off > byMm) return undefined;
  const far = sizeOf(way);
  if (far <= byMm) return far;
  const border = bordersAt(surface, v, ring);
  if (border.length === 0) return off;
  if (border.length !== 2 || !border.includes(u)) return undefined;
  const [p, q] = border.map((w) => surface.place(w));
  const by = Math.max(off, distanceToStretch(surface.place(v), p, q));
  return by <= byMm ? by : undefined;
}

/** Vertices across from which a vertex has an edge between two faces. */
function bordersAt(surface: TouchedSurface, v: number, ring: readonly number[]): number[] {
  return ring.flatMap((t) => {
    const corners = surface.cornersOf(t);
    const w = corners[(corners.indexOf(v) + 1) % 3];
    const back = surface.edge(w, v);
    return back === undefined || surface.groupOf(Math.floor(back / 3)) !== surface.groupOf(t) ? [w] : [];
  });
}

/** The surface stays one, no triangle is turned over, and none becomes worse than the worst there was. */
function isSound(surface: TouchedSurface, [v, u]: CollapseWay): boolean {
  const ring = surface.ringOf(v);
  const neighbours = new Set(ring.flatMap((t) => surface.cornersOf(t)));
  neighbours.delete(v);
  neighbours.delete(u);
  if ([...neighbours].filter((w) => surface.hasEdge(u, w)).length !== 2) return false;
  const staying = ring.filter((t) => !surface.cornersOf(t).includes(u));
  if (ring.length - staying.length !== 2) return false;
  const worst = Math.min(...ring.map((t) => surface.quality(...surface.cornersOf(t))));
  return staying.every((t) => {
    const [a, b, c] = surface.cornersOf(t).map((w) => (w === v ? u : w));
    return surface.facing(surface.normalOf(t), a, b, c) > 0 && surface.quality(a, b, c) > worst;
  });
}

function collapse(surface: TouchedSurface, [v, u]: CollapseWay): void {
  const { cut } = surface;
  for (const t of [...surface.ringOf(v)]) {
    const corners = surface.cornersOf(t);
    if (corners.includes(u)) surface.remove(t);
    else
      surface.set(
        t,
        corners.map((w, k) => (w === v ? [u, numberIn(surface, t, u)] : [w, cut.numbers[3 * t + k]])),
      );
  }
}

/** Number of a vertex in the source of a triangle, if one of its triangles there has it. */
function numberIn(surface: TouchedSurface, t: number, v: number): number {
  const { cut } = surface;
  for (const other of surface.ringOf(v))
    if (cut.source[other] === cut.source[t])
      for (let c = 3 * other; c < 3 * other + 3; c++) if (cut.vertices[c] === v) return cut.numbers[c];
  return -1;
}
