import { Clipper64, ClipperOffset, ClipType, EndType, FillRule, JoinType, type Paths64 } from 'clipper2-ts';
import { ORIGIN_LIMIT, restoreOrigins } from './origins.ts';
import type { VertexRing } from './outline.ts';

/**
 * Union on the grid, by winding or by parity; every edge keeps its curve and letter. Outer rings come out
 * counter-clockwise.
 */
export function unite(rings: readonly VertexRing[], rule: 'nonzero' | 'evenodd' = 'nonzero'): VertexRing[] {
  const clipper = new Clipper64();
  clipper.addSubject(toPaths(rings));
  const solution: Paths64 = [];
  clipper.execute(ClipType.Union, rule === 'evenodd' ? FillRule.EvenOdd : FillRule.NonZero, solution);
  return restoreOrigins(toPoints(solution), rings, ORIGIN_LIMIT);
}

/** What of `rings` no cover lies on. Both by their non-zero winding; edges keep their origins. */
export function covered(rings: readonly VertexRing[], covers: readonly VertexRing[]): VertexRing[] {
  const clipper = new Clipper64();
  clipper.addSubject(toPaths(rings));
  clipper.addClip(toPaths(covers));
  const solution: Paths64 = [];
  clipper.execute(ClipType.Difference, FillRule.NonZero, solution);
  return restoreOrigins(toPoints(solution), rings, ORIGIN_LIMIT);
}

/** Grown by a distance in grid steps, corners kept. */
export const dilated = (rings: readonly VertexRing[], distance: number): VertexRing[] =>
  restoreOrigins(toPoints(inflate(toPaths(rings), distance)), rings, 2 * distance);

/**
 * Opening: erodes by `distance` grid steps and dilates by 0.9 of it, which parts what merely touches. (Mitred joins put
 * touching corners back where they touched when both distances are equal.)
 */
export function openRings(rings: readonly VertexRing[], distance: number): VertexRing[] {
  const eroded = inflate(toPaths(rings), -distance);
  const dilated = inflate(eroded, 0.9 * distance);
  return restoreOrigins(toPoints(dilated), rings, 2 * distance);
}

function inflate(paths: Paths64, delta: number): Paths64 {
  const offset = new ClipperOffset(10);
  offset.addPaths(paths, JoinType.Miter, EndType.Polygon);
  const solution: Paths64 = [];
  offset.execute(delta, solution);
  return solution;
}

const toPaths = (rings: readonly VertexRing[]): Paths64 => rings.map((ring) => ring.map(({ x, y }) => ({ x, y })));

const toPoints = (paths: Paths64): { x: number; y: number }[][] =>
  paths.map((path) => path.map(({ x, y }) => ({ x, y })));
