import { defineStep } from '../definition.ts';
import { CUT, type CutStep } from './fields.ts';

/**
 * What another piece makes of this one. Lettering is held where its own step lays it on this piece, or stands in the
 * scene.
 */
export const cut = defineStep({
  kind: 'cut',
  fields: CUT,
  group: 'pieces',
  offered: 'besideBodies',
  act: { does: 'cuts' },
  start: ({ bodies }): Partial<CutStep> => ({ target: bodies[0] ?? '', operation: 'subtract' }),
  flags: false,
});
