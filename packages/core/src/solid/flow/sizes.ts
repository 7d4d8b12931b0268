import { lengthOf } from '../../math/index.ts';
import { CORNER_COSINE } from './cornerCosine.ts';
import { innerBall } from './innerBall.ts';
import { ringNormal, turnAt, type RingLine } from './ringLine.ts';
import type { SoftCorner } from './softCorners.ts';

export interface SizeOptions {
  /** edge length of a quad where there is room, grid steps */
  size: number;
  /** largest distance of a chord from its curve, grid steps */
  tolerance: number;
  /** how far the rings lie inside the outline whose curves count, grid steps */
  inset: number;
}

/** The most that the size grows by along the outline, a unit of length. */
const GRADING = 0.25;
/** Sides that face each other within this cosine bound a stroke. */
const FACES_BACK = -0.3;

export interface LocalSizes {
  /** wanted edge length at every point of the rings: smaller in thin strokes and tight curves, and graded */
  wanted: Float64Array;
  /** the longest edges that the tolerance allows */
  most: Float64Array;
}

export function localSizes(
  line: RingLine,
  soft: readonly SoftCorner[],
  { size, tolerance, inset }: SizeOptions,
): LocalSizes {
  const bent = bends(line, soft);
  const n = line.x.length;
  const sizes = new Float64Array(n).fill(size);
  const most = new Float64Array(n).fill(Infinity);
  for (let i = 0; i < n; i++) {
    const turn = turnAt(line, i);
    const isCorner = turn.cosine < CORNER_COSINE;
    const curve = isCorner ? undefined : curveSizes(line, i, turn.sine, { size, tolerance, inset });
    if (curve) {
      most[i] = curve.most;
      if (!bent[i]) sizes[i] = Math.min(size, curve.wanted);
    }
    if (bent[i]) continue;
    const { x: nx, y: ny } = ringNormal(line, i);
    const touch = innerBall(line, { px: line.x[i], py: line.y[i], nx, ny, skip: [i, line.prev[i]] });
    if (!touch || touch.nx * nx + touch.ny * ny > FACES_BACK) continue;
    const width = lengthOf(touch.place.x - line.x[i], touch.place.y - line.y[i]);
    sizes[i] = Math.min(sizes[i], Math.max(size / 3, 1.3 * width));
  }
  graded(line, sizes);
  return { wanted: sizes.map((value, i) => Math.min(value, most[i])), most };
}

/** Points of bends that count as corners: they make nothing around them smaller. */
function bends(line: RingLine, soft: readonly SoftCorner[]): Uint8Array {
  const bent = new Uint8Array(line.x.length);
  for (const { first, last } of soft) {
    for (let i = first; ; i = line.next[i]) {
      bent[i] = 1;
      if (i === last) break;
    }
  }
  return bent;
}

/**
 * What a curve's radius at point i asks for; the radius is known from the turn between the chords. Undefined where it
 * is straight.
 */
function curveSizes(
  line: RingLine,
  i: number,
  sine: number,
  { size, tolerance, inset }: SizeOptions,
): { wanted: number; most: number } | undefined {
  const turn = Math.abs(sine);
  if (turn < 1e-9) return undefined;
  const radius = (line.length[i] + line.length[line.prev[i]]) / 2 / turn;
  // a curve that bulges outward is wider on the outline than on the ring
  const outer = Math.max(radius + (sine > 0 ? inset : -inset), tolerance);
  return {
    wanted: Math.max(size / 4, 0.6 * radius),
    most: (Math.sqrt(8 * outer * tolerance) * radius) / outer,
  };
}

/** Two rounds forward and two back: so far that a ring's start is passed. */
function graded(line: RingLine, sizes: Float64Array): void {
  for (let round = 0; round < 2; round++) {
    for (let i = 0; i < sizes.length; i++) {
      const to = line.next[i];
      sizes[to] = Math.min(sizes[to], sizes[i] + GRADING * line.length[i]);
    }
    for (let i = sizes.length - 1; i >= 0; i--) {
      const to = line.next[i];
      sizes[i] = Math.min(sizes[i], sizes[to] + GRADING * line.length[i]);
    }
  }
}
