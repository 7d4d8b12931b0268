import { z } from 'zod';
import { data, displacing, flag, measure, pair, place, plain } from '../../fields/index.ts';
import type { StepOf } from '../definition.ts';

export const RELIEF = {
  ...displacing(),
  columns: data(plain(1, 512).schema, 1),
  rows: data(plain(1, 512).schema, 1),
  /** a byte a place, row after row from the top, base64 */
  heights: { ...data(z.string().max(400_000), 'AA=='), is: 'picture' as const },
  atMm: pair(place(), place()),
  widthMm: measure(200),
  repeats: flag(false),
};
export type ReliefStep = StepOf<'relief', typeof RELIEF>;
