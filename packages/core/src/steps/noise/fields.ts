import { chance, choice, count, displacing, flag, measure, place } from '../../fields/index.ts';
import type { StepOf } from '../definition.ts';

export const NOISE = {
  ...displacing(),
  character: choice(['soft', 'creased', 'lumpy', 'pebbled']),
  sizeMm: measure(40),
  detail: count(1, 6, { usual: 2 }),
  seed: chance(),
  /** only ever to the outside */
  outwardOnly: flag(false, { flag: 'outward' }),
  /** mm a second that the pattern drifts; at a time, how far it has */
  drift: place({ moves: 'no', flag: false, perSecond: true }),
};
export type NoiseStep = StepOf<'noise', typeof NOISE>;
