import type { Box3 } from '../math/index.ts';
import type { Need } from '../shape/index.ts';
import type { LetteringFaces, NeededFaces } from './faces.ts';

/** Whether the sizes of faces follow what later steps need: where nobody chose one. */
export const isAutomatic = (faces: LetteringFaces): boolean =>
  faces.kind === 'plain' || ((faces.kind === 'grid' || faces.kind === 'flow') && faces.sizeMm === 0);

/**
 * Plain faces become bands across the way where only one needs cutting, else squares; squares and flowing quads only become smaller. `usualMm`: the size that
 * the style has by itself. Sizes go in steps, so that small changes of a step build nothing anew.
 */
export function neededFaces(
  faces: LetteringFaces,
  need: Need,
  { box: { low, high }, usualMm }: { box: Box3; usualMm: number },
): NeededFaces {
  const deepestMm = need.z < Infinity ? inSteps(need.z) : undefined;
  if (!isAutomatic(faces)) return { faces, deepestMm: undefined };
  if (faces.kind !== 'plain') {
    const sizeMm = inSteps(Math.min(need.x, need.y, need.z));
    return sizeMm < usualMm ? { faces: { ...faces, sizeMm } as LetteringFaces, deepestMm } : { faces, deepestMm };
  }
  const [wide, tall] = [high[0] - low[0], high[1] - low[1]];
  const [cutsX, cutsY] = [need.x < wide, need.y < tall];
  if (!cutsX && !cutsY) return { faces, deepestMm };
  if (!cutsY) return { faces: { kind: 'bandsEvery', axis: 'x', everyMm: inSteps(need.x) }, deepestMm };
  if (!cutsX) return { faces: { kind: 'bandsEvery', axis: 'y', everyMm: inSteps(need.y) }, deepestMm };
  return { faces: { kind: 'grid', sizeMm: inSteps(Math.min(need.x, need.y)) }, deepestMm };
}

const STEP_DOWN = 0.7071067811865476;

/** The next smaller of 1 mm times powers of the root of two. */
function inSteps(mm: number): number {
  if (!(mm < Infinity)) return mm;
  let size = 1;
  while (size > mm) size *= STEP_DOWN;
  while (size / STEP_DOWN <= mm) size /= STEP_DOWN;
  return size;
}
