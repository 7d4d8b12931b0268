import { about, choice, span, turn } from '../../fields/index.ts';
import type { StepOf } from '../definition.ts';

export const BEND = {
  ...span('y'),
  ...about(),
  angleDegrees: turn({ usual: 60 }),
  /** the bend's own plane, turned about the way it runs */
  towardDegrees: turn(),
  /** which layer keeps its length */
  keeps: choice(['front', 'middle', 'back', 'centre'], { usual: 'middle' }),
};
export type BendStep = StepOf<'bend', typeof BEND>;
