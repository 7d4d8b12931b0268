import type { Remark, RemarkCode } from '@fictile/core';

/** A step was left out, or what was asked for is not there: the mesh may be sound and is not what was wanted. */
const LEFT_OUT: ReadonlySet<RemarkCode> = new Set([
  'CUT_LEFT_OUT',
  'CUT_NOTHING',
  'ONTO_CYCLE',
  'ONTO_MISSES',
  'ONTO_NOTHING',
  'RUN_NOTHING',
  'STEP_LEFT_OUT',
  'RECAST_TOO_FINE',
  'RECAST_VANISHES',
]);

export const isLeftOut = (remark: Remark): boolean =>
  LEFT_OUT.has(remark.code) || (remark.code === 'CUT_APART' && remark.params.all);
