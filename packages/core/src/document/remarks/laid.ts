import type { RemarkParams } from '../../base/index.ts';
import { cure, type Cure } from './cure.ts';
import { missing, warning, type RemarkDefinitions } from './definition.ts';
import { justOver, type PieceCures } from './pieceCures.ts';

type LaidCode =
  | 'ONTO_NOTHING'
  | 'ONTO_CYCLE'
  | 'HUNG_LETTER_GONE'
  | 'ONTO_MISSES'
  | 'ONTO_OVERHANGS'
  | 'ONTO_OVERFULL'
  | 'ONTO_SINKS'
  | 'ONTO_FLOATS'
  | 'ONTO_FOLDS'
  | 'ONTO_BORDER';

/** Of what lies on another piece. */
export const LAID_REMARKS: RemarkDefinitions<LaidCode> = {
  ONTO_NOTHING: { ...missing('steps', ({ stepId }, c) => c.without(stepId)), inVain: true },
  ONTO_CYCLE: missing('steps', ({ stepId }, c) => c.without(stepId)),
  HUNG_LETTER_GONE: missing('place', ({ itemId, on }) =>
    cure('HANG_ON_WHOLE', {}, [{ kind: 'hang', items: [itemId], hung: { on, letter: 0 } }]),
  ),
  ONTO_MISSES: { ...missing('steps', (told, c) => heldNearest(told, c)), inVain: true },
  ONTO_OVERHANGS: warning('steps', ({ stepId, sizePercent, instead }, c) => {
    const left = instead === 'leave' ? undefined : cure('LEAVE_OUT', {}, c.step(stepId, { overhang: 'leave' }));
    return fitting(sizePercent, c) ?? c.heldInMiddle(stepId) ?? left;
  }),
  ONTO_OVERFULL: warning('steps', ({ sizePercent }, c) => c.smaller(sizePercent)),
  ONTO_SINKS: warning('steps', (told, c) => betterLaid(told, 1, c)),
  ONTO_FLOATS: warning('steps', (told, c) => betterLaid(told, -1, c)),
  ONTO_FOLDS: warning(
    'steps',
    ({ stepId, sizePercent }, c) =>
      fitting(sizePercent, c) ?? cure('LAY', { method: 'direction' }, c.step(stepId, { method: 'direction' })),
  ),
  ONTO_BORDER: warning('steps', (told, c) => withinBorder(told, c)),
};

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
