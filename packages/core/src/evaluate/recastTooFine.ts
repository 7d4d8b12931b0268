import type { RecastStep } from '../steps/index.ts';
import { LIMITS, remark, type Remark } from '../base/index.ts';
import { boxOfPoints } from '../math/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import { recastCost } from '../voxel/index.ts';

const COARSER = 1.1;

/** Told where a grid would need more places than are allowed, with a size of cells that does not. */
export function recastTooFine(step: RecastStep, clusters: readonly { mesh: PolygonMesh }[]): Remark | undefined {
  const boxes = clusters.map(({ mesh }) => boxOfPoints(mesh.positions));
  const placesBy = (sizeMm: number): number =>
    Math.max(...boxes.map((box) => recastCost(box, { ...step, sizeMm }).nodes));
  const places = placesBy(step.sizeMm);
  if (places <= LIMITS.gridNodes) return undefined;
  let leastMm = step.sizeMm;
  while (placesBy(leastMm) > LIMITS.gridNodes) leastMm *= COARSER;
  return remark('RECAST_TOO_FINE', { places, limit: LIMITS.gridNodes, leastMm: Math.ceil(100 * leastMm) / 100 });
}
