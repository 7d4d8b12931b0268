import { chance, choice, course, flag, point, share, triple, turn } from '../../fields/index.ts';
import type { StepOf } from '../definition.ts';

export const SCATTER = {
  by: choice(['course', 'chance'], { usual: 'chance' }),
  course: course(0, 1, { shown: { min: -1, max: 1, unit: '' }, when: { by: 'course' } }),
  seed: chance({ when: { by: 'chance' } }),
  moveMm: point([0, 8, 0]),
  turnDegrees: triple(turn(), turn(), turn({ usual: 12 })),
  scalePercent: share(1, 1000, { usual: 100 }),
  rigid: flag(true),
};
export type ScatterStep = StepOf<'scatter', typeof SCATTER>;
