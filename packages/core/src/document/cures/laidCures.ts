import type { Remark, RemarkParams } from '../../base/index.ts';
import { cure, type Cure } from './cure.ts';
import { justOver, type PieceCures } from './pieceCures.ts';

/** Cures for what lies on another piece. */
export function laidCure(remark: Remark, c: PieceCures): Cure | undefined {
  switch (remark.code) {
    case 'ONTO_NOTHING':
    case 'RUN_NOTHING':
    case 'ONTO_CYCLE':
      return c.without(remark.params.stepId);
    case 'ONTO_MISSES':
      return heldNearest(remark.params, c);
    case 'ONTO_OVERHANGS': {
      const { stepId, sizePercent, instead } = remark.params;
      const left = instead === 'leave' ? undefined : cure('LEAVE_OUT', {}, c.step(stepId, { overhang: 'leave' }));
      return fitting(sizePercent, c) ?? c.heldInMiddle(stepId) ?? left;
    }
    case 'ONTO_OVERFULL':
      return c.smaller(remark.params.sizePercent);
    case 'ONTO_FOLDS': {
      const { stepId, sizePercent } = remark.params;
      return fitting(sizePercent, c) ?? cure('LAY', { method: 'direction' }, c.step(stepId, { method: 'direction' }));
    }
    case 'ONTO_BORDER':
      return withinBorder(remark.params, c);
    case 'ONTO_SINKS':
      return betterLaid(remark.params, 1, c);
    case 'ONTO_FLOATS':
      return betterLaid(remark.params, -1, c);
    default:
      return undefined;
  }
}

/** Percent of their size: smaller words can't be read. */
const READABLE = 25;

const fitting = (sizePercent: number, c: PieceCures): Cure | undefined =>
  sizePercent >= READABLE ? c.smaller(sizePercent) : undefined;

function heldNearest({ stepId, fromMm, toward, up }: RemarkParams['ONTO_MISSES'], c: PieceCures): Cure | undefined {
  if (!fromMm) return c.heldInMiddle(stepId);
  return cure('HOLD_NEAREST', {}, c.step(stepId, { place: { kind: 'pressed' }, fromMm, toward, up }));
}

/** Where there is room, or as large as there is. */
function withinBorder(told: RemarkParams['ONTO_BORDER'], c: PieceCures): Cure | undefined {
  const { stepId, fromMm, acrossMm, upMm, moveMm = 0, sizePercent } = told;
  if (!fromMm) return c.smaller(sizePercent) ?? c.heldInMiddle(stepId);
  const edits = c.onto(stepId, ({ place }) =>
    place.kind === 'side' && acrossMm !== undefined && upMm !== undefined
      ? { place: { ...place, acrossMm, acrossFrom: 'middle', upMm, upFrom: 'middle' } }
      : { place: { kind: 'pressed' }, fromMm: [...fromMm] },
  );
  return cure('MOVE_IN', { mm: moveMm }, edits);
}

/** Laid another way, or farther from the surface; `way`: 1 where it sinks. */
function betterLaid({ stepId, better, byMm }: RemarkParams['ONTO_SINKS'], way: 1 | -1, c: PieceCures): Cure {
  if (better === 'bending') return cure('BEND_LETTERS', {}, c.step(stepId, { rigid: false }));
  if (better !== 'lift') return cure('LAY', { method: better }, c.step(stepId, { method: better }));
  return c.lifted(stepId, way * justOver(byMm));
}
