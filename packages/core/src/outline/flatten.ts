import { chordCount, pointAt, tangentAt, type CurveTable } from './curves.ts';
import type { VertexRing } from './outline.ts';

export interface FlattenOptions {
  /** grid steps a unit of the curves */
  scale: number;
  /** largest distance of a chord from its curve, in grid steps */
  tolerance: number;
  letter: number;
}

/** A turn of the drawing by more than 30 degrees is a corner. */
const CORNER_COSINE = 0.8660254037844387;

/**
 * Curves -> rings of vertices rounded to the grid, each edge with its curve and parameters. Points that fall together
 * are merged; rings of fewer than three points are dropped. Orientation is left as drawn.
 */
export function flatten(curves: CurveTable, options: FlattenOptions): VertexRing[] {
  const rings: VertexRing[] = [];
  for (let contour = 0; contour + 1 < curves.contourStart.length; contour++) {
    const ring = flattenContour(curves, contour, options);
    if (ring.length >= 3) rings.push(ring);
  }
  return rings;
}

function flattenContour(curves: CurveTable, contour: number, options: FlattenOptions): VertexRing {
  const first = curves.contourStart[contour];
  const end = curves.contourStart[contour + 1];
  const ring: VertexRing = [];
  for (let i = first; i < end; i++) {
    const count = chordCount(curves, i, options.tolerance / options.scale);
    const previous = i === first ? end - 1 : i - 1;
    for (let k = 0; k < count; k++) {
      const p = pointAt(curves, i, k / count);
      ring.push({
        x: Math.round(p.x * options.scale),
        y: Math.round(p.y * options.scale),
        curve: i,
        t0: k / count,
        t1: (k + 1) / count,
        letter: options.letter,
        corner: k === 0 && isCorner(curves, previous, i) ? 1 : 0,
      });
    }
  }
  return withoutRepeats(ring);
}

function isCorner(curves: CurveTable, before: number, after: number): boolean {
  const a = tangentAt(curves, before, 1);
  const b = tangentAt(curves, after, 0);
  const lengths = Math.sqrt((a.x * a.x + a.y * a.y) * (b.x * b.x + b.y * b.y));
  return a.x * b.x + a.y * b.y < CORNER_COSINE * lengths;
}

/** Of points in a row that rounding made equal the last keeps its edge, and a corner stays a corner. */
function withoutRepeats(ring: VertexRing): VertexRing {
  const kept: VertexRing = [];
  for (let i = 0; i < ring.length; i++) {
    const next = ring[(i + 1) % ring.length];
    if (ring[i].x !== next.x || ring[i].y !== next.y) kept.push(ring[i]);
    else if (ring[i].corner) next.corner = 1;
  }
  return kept;
}

/** The points along one contour, unrounded, in the curves' unit; an open contour's end too. */
export function polyline(
  curves: CurveTable,
  contour: number,
  { tolerance, closed }: { tolerance: number; closed: boolean },
): { x: number; y: number; curve: number; t: number; corner: boolean }[] {
  const first = curves.contourStart[contour];
  const end = curves.contourStart[contour + 1];
  const points: { x: number; y: number; curve: number; t: number; corner: boolean }[] = [];
  for (let i = first; i < end; i++) {
    const count = chordCount(curves, i, tolerance);
    const previous = i === first ? end - 1 : i - 1;
    const corner = (i > first || closed) && isCorner(curves, previous, i);
    for (let k = 0; k < count; k++)
      points.push({ ...pointAt(curves, i, k / count), curve: i, t: k / count, corner: k === 0 && corner });
  }
  if (!closed && end > first) points.push({ ...pointAt(curves, end - 1, 1), curve: end - 1, t: 1, corner: false });
  return points;
}
