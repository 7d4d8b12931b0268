import { flatWavefront } from '../solid/index.ts';
import type { FaceStyleDefinition } from './definition.ts';
import { deepest, inSteps } from './inSteps.ts';

/** Fewest faces; where a later step needs them cut, bands across the way, or squares where two ways need cutting. */
export const PLAIN: FaceStyleDefinition<'plain'> = {
  kind: 'plain',
  isLaidOut: false,
  asked: () => ({ kind: 'plain' }),
  isAutomatic: () => true,
  sizeMm: () => undefined,
  chosenMm: () => Infinity,
  needed(faces, need, { box: { low, high } }) {
    const deepestMm = deepest(need.z);
    const [wide, tall] = [high[0] - low[0], high[1] - low[1]];
    const [cutsX, cutsY] = [need.x < wide, need.y < tall];
    if (!cutsX && !cutsY) return { faces, deepestMm };
    if (!cutsY) return { faces: { kind: 'bandsEvery', axis: 'x', everyMm: inSteps(need.x) }, deepestMm };
    if (!cutsX) return { faces: { kind: 'bandsEvery', axis: 'y', everyMm: inSteps(need.y) }, deepestMm };
    return { faces: { kind: 'grid', sizeMm: inSteps(Math.min(need.x, need.y)) }, deepestMm };
  },
  layOut: (faces) => faces,
  expected: () => 0,
  about: (faces) => faces,
  flat: (_, outline, options) => flatWavefront(outline, options),
  finer: () => ({ sizeMm: 0 }),
};
