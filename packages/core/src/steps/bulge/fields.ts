import { axis, choice, flag, place } from '../../fields/index.ts';
import type { StepOf } from '../definition.ts';

export const BULGE = {
  shape: choice(['ball', 'barrel']),
  axis: axis('x', { when: { shape: 'barrel' } }),
  heightMm: place({ usual: 20 }),
  /** walls keep their depth, or the back stays */
  solid: flag(true),
};
export type BulgeStep = StepOf<'bulge', typeof BULGE>;
