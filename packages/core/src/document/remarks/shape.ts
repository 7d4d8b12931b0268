import { rangeOf } from '../../fields/index.ts';
import { FACES } from '../fields/index.ts';
import { cure, type Cure } from './cure.ts';
import { missing, warning, type RemarkDefinitions } from './definition.ts';
import type { PieceCures } from './pieceCures.ts';

type ShapeCode =
  | 'STEP_LEFT_OUT'
  | 'SHAPE_FOLDS'
  | 'SHAPE_TOUCHES'
  | 'SHAPE_CROSSES'
  | 'SHAPE_STRAYS'
  | 'SHAPE_LOOSER'
  | 'SHAPE_COARSE'
  | 'LINE_ENDS'
  | 'RUN_NOTHING'
  | 'RECAST_TOO_FINE'
  | 'RECAST_VANISHES'
  | 'RECAST_LOSES'
  | 'REDUCE_SHORT'
  | 'PIECES_CROSS';

/** Of steps that shape, cast and reduce. */
export const SHAPE_REMARKS: RemarkDefinitions<ShapeCode> = {
  STEP_LEFT_OUT: missing('steps'),
  SHAPE_FOLDS: warning('steps', (told, c) => limited(c, told)),
  SHAPE_TOUCHES: warning('steps', ({ stepId, limit }, c) => c.noStronger(stepId, limit)),
  SHAPE_CROSSES: warning('steps', (told, c) =>
    told.finerMm === undefined ? limited(c, told) : c.curvesWithin(told.finerMm),
  ),
  SHAPE_STRAYS: warning('steps', (_, c) => cure('FINE_AS_NEEDED', {}, c.faces({ shaped: 'fine' }))),
  SHAPE_LOOSER: warning('steps', ({ fewMm }, c) => c.curvesWithin(Math.min(rangeOf(FACES.toleranceMm).max, fewMm))),
  SHAPE_COARSE: warning('steps'),
  LINE_ENDS: warning('steps'),
  RUN_NOTHING: missing('steps', ({ stepId }, c) => c.without(stepId)),
  RECAST_TOO_FINE: missing('steps'),
  RECAST_VANISHES: missing('steps'),
  RECAST_LOSES: warning('steps', ({ stepId, finerMm: mm }, c) =>
    mm === undefined ? undefined : cure('CELLS', { mm }, c.step(stepId, { sizeMm: mm })),
  ),
  REDUCE_SHORT: warning('steps', ({ stepId, left: count, percent }, c) => {
    const sharePercent = Math.min(100, Math.ceil(10 * percent) / 10);
    return cure('KEEP_SO', {}, c.step(stepId, { count, sharePercent }));
  }),
  PIECES_CROSS: warning('place', ({ acrossMm, upMm }, c) => c.room(acrossMm, upMm)),
};

const limited = (c: PieceCures, { stepId, limit }: { stepId?: string; limit?: number }): Cure | undefined =>
  limit === undefined || stepId === undefined ? undefined : c.noStronger(stepId, limit);
