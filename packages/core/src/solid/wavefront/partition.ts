import { doubledArea, nextVertices, toRings, type Outline } from '../../outline/index.ts';
import { buildFaces } from './faces.ts';
import { movingEdges, type Corners } from './movingEdges.ts';
import type { Partition, PartitionResult } from './plan.ts';
import { simulate } from './simulate.ts';
import { SMALLEST_LAYER } from './tolerances.ts';

export interface PartitionOptions {
  /** whole, ascending insets > 0, at least SMALLEST_LAYER apart */
  layers: readonly number[];
  /** positions to run the simulation from; the outline's own points stay exact in the result */
  jittered?: { x: Float64Array; y: Float64Array };
  corners?: Corners;
  /** asked now and then; true ends the work by throwing Stopped */
  cancelled?: () => boolean;
}

/** The inside of an outline, cut along its inward offsets. */
export function partition(outline: Outline, options: PartitionOptions): PartitionResult {
  const layers = options.layers;
  layers.forEach((inset, k) => {
    if (!Number.isInteger(inset) || inset - (k === 0 ? 0 : layers[k - 1]) < SMALLEST_LAYER) {
      throw new Error(`layers must be whole and at least ${SMALLEST_LAYER} apart: ${layers.join(' ')}`);
    }
  });
  const next = nextVertices(outline);
  if (layers.length === 0) return { ok: true, partition: plainPartition(outline, next) };
  const edges = movingEdges(outline, next, options.jittered ?? outline, { corners: options.corners ?? 'sharp' });
  const traces = simulate({ outline, next, edges, layers, cancelled: options.cancelled });
  if (!traces) return { ok: false, fault: 'events' };
  const built = buildFaces(traces, edges.source, layers);
  if (!built.ok) return built;
  return areaSum(built.partition) === outlineArea(outline) ? built : { ok: false, fault: 'area' };
}

const outlineArea = (outline: Outline): number => toRings(outline).reduce((sum, ring) => sum + doubledArea(ring), 0);

/** Doubled area of all bands and the innermost ring; exact. */
function areaSum(p: Partition): number {
  let sum = 0;
  const ox = p.x[0];
  const oy = p.y[0];
  const cross = (a: number, b: number): number => (p.x[a] - ox) * (p.y[b] - oy) - (p.x[b] - ox) * (p.y[a] - oy);
  for (const band of p.bands) {
    for (let f = 0; f + 1 < band.start.length; f++) {
      let last = band.nodes[band.start[f + 1] - 1];
      for (let i = band.start[f]; i < band.start[f + 1]; i++) {
        sum += cross(last, band.nodes[i]);
        last = band.nodes[i];
      }
    }
  }
  const inner = p.rings[p.rings.length - 1];
  inner.from.forEach((a, i) => (sum += cross(a, inner.to[i])));
  return sum;
}

/** No layers: just the outline as a ring. */
function plainPartition(outline: Outline, next: Uint32Array): Partition {
  const n = outline.x.length;
  const all = Uint32Array.from({ length: n }, (_, i) => i);
  return {
    x: outline.x,
    y: outline.y,
    inset: new Float64Array(n),
    layer: new Int32Array(n),
    layers: new Float64Array(1),
    bands: [],
    rings: [{ from: all, to: next, edge: all }],
    closedUp: [],
  };
}
