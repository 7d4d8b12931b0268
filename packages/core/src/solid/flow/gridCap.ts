import { triangulateInside } from '../../mesh/index.ts';
import type { Partition } from '../wavefront/index.ts';
import { ringsArea, withInner, type FlowCap } from './flowCap.ts';
import { gridPoints } from './gridPoints.ts';
import { nearestLetters } from './nearestLetters.ts';
import { pairTriangles } from './pairTriangles.ts';
import { ringLine } from './ringLine.ts';

export interface GridCapOptions {
  /** side of a square, whole grid steps */
  size: number;
  /** a corner of some square */
  origin: { x: number; y: number };
  letterOfEdge: Int32Array;
}

/** Of a square: how far its corners stay away from the rings. */
const CLEARANCE = 0.55;
/** A pair of triangles with less than this stays two triangles. */
const LEAST_QUAD = 0.25;
const MOST_POINTS = 400_000;

/**
 * Fills a layer's rings with the squares of one grid, and the gap to the rings with quads and triangles: constrained
 * Delaunay, then pairs. The squares come out by themselves, since no pair is better than the two halves of one.
 * Undefined when the rings can't be filled.
 */
export function gridCap(
  p: Partition,
  layer: number,
  { size, origin, letterOfEdge }: GridCapOptions,
): FlowCap | undefined {
  const line = ringLine(p, layer);
  if (!line) return undefined;
  const inner = gridPoints(line, { size, origin, clearance: CLEARANCE, most: MOST_POINTS });
  if (!inner) return undefined;
  const x = [...line.x, ...inner.map((point) => point.x)];
  const y = [...line.y, ...inner.map((point) => point.y)];
  const from = Array.from(line.x, (_, i) => i);
  const triangles = triangulateInside(x, y, from, line.next);
  if (!triangles) return undefined;
  const faces = pairTriangles(x, y, triangles, LEAST_QUAD);
  let filled = 0;
  for (const face of faces) {
    for (let k = 1; k + 1 < face.length; k++) {
      const [a, b, c] = [face[0], face[k], face[k + 1]];
      filled += (x[b] - x[a]) * (y[c] - y[a]) - (y[b] - y[a]) * (x[c] - x[a]);
    }
  }
  if (filled !== ringsArea(line)) return undefined;
  const start = new Uint32Array(faces.length + 1);
  faces.forEach((face, f) => (start[f + 1] = start[f] + face.length));
  const corners = faces.flat();
  const letters = nearestLetters(
    { start, corners },
    Array.from(line.edge, (edge) => letterOfEdge[edge]),
    x.length,
  );
  return withInner(p, line, { x, y, start, corners, letters, layer });
}
