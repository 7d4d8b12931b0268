import { orient2d } from '../../math/index.ts';
import type { Outline } from '../../outline/index.ts';
import type { Band, Partition } from '../wavefront/index.ts';
import type { Slide } from './resample.ts';
import { ringLine } from './ringLine.ts';
import { pointsOfVertices } from './ringStations.ts';

/** Sine of the largest turn of a ring at a node that may slide along it. */
const STRAIGHT = 0.02;

/**
 * Moves nodes of the rings along them to where they were planned: beside a concave corner a ring is longer than the
 * outline, and what stands straight above the outline's points leaves a gap there. A ring keeps its inset. Nodes whose
 * faces would fold stay.
 */
export function slid(
  p: Partition,
  outline: Outline,
  { slides, inset }: { slides: readonly Slide[]; inset: number },
): Partition {
  if (slides.length === 0 || inset <= 0) return p;
  const [x, y] = [p.x.slice(), p.y.slice()];
  const facesAt = facesByNode(p);
  for (let layer = 0; layer < p.layers.length; layer++) {
    const share = p.layers[layer] / inset;
    if (share <= 0 || share > 1 + 1e-3) continue;
    const line = ringLine(p, layer);
    if (!line) continue;
    const pointOf = pointsOfVertices(line, outline);
    for (const { vertex, x: toX, y: toY } of slides) {
      const point = pointOf[vertex];
      if (point < 0) continue;
      const j = line.prev[point];
      if (Math.abs(line.nx[j] * line.ny[point] - line.ny[j] * line.nx[point]) > STRAIGHT) continue;
      const node = line.node[point];
      // of the way to the plan only what lies along the ring
      const [wx, wy] = [
        outline.x[vertex] + share * (toX - outline.x[vertex]) - x[node],
        outline.y[vertex] + share * (toY - outline.y[vertex]) - y[node],
      ];
      const along = wx * line.ny[point] - wy * line.nx[point];
      tryMove({ x, y }, node, [x[node] + along * line.ny[point], y[node] - along * line.nx[point]], {
        faces: facesAt.get(node) ?? [],
      });
    }
  }
  return { ...p, x, y };
}

interface FaceRef {
  band: Band;
  face: number;
}

function facesByNode({ bands }: Partition): Map<number, FaceRef[]> {
  const rows = new Map<number, FaceRef[]>();
  for (const band of bands) {
    for (let face = 0; face + 1 < band.start.length; face++) {
      for (let c = band.start[face]; c < band.start[face + 1]; c++) {
        const row = rows.get(band.nodes[c]);
        if (row) row.push({ band, face });
        else rows.set(band.nodes[c], [{ band, face }]);
      }
    }
  }
  return rows;
}

function tryMove(
  { x, y }: { x: Float64Array; y: Float64Array },
  node: number,
  [toX, toY]: readonly [number, number],
  { faces }: { faces: readonly FaceRef[] },
): void {
  const [ox, oy] = [x[node], y[node]];
  x[node] = Math.round(toX);
  y[node] = Math.round(toY);
  if (faces.every((face) => isConvex(face, x, y))) return;
  x[node] = ox;
  y[node] = oy;
}

function isConvex({ band, face }: FaceRef, x: Float64Array, y: Float64Array): boolean {
  const nodes = band.nodes.subarray(band.start[face], band.start[face + 1]);
  const n = nodes.length;
  for (let k = 0; k < n; k++) {
    const [a, b, c] = [nodes[k], nodes[(k + 1) % n], nodes[(k + 2) % n]];
    if (orient2d(x[a], y[a], x[b], y[b], x[c], y[c]) <= 0) return false;
  }
  return true;
}
