import { deepEqual } from 'fast-equals';
import { type CuttingStep, type OntoStep, isCutting, usualStep } from '../../steps/index.ts';
import { ownEntry, type Remark, type RemarkParams } from '../../base/index.ts';
import { isLettering, isModel, ontoStepOf } from '../kinds.ts';
import type { Piece } from '../schema.ts';
import { cure, type Cure } from './cure.ts';
import { missing, warning, type CureAround, type RemarkDefinitions } from './definition.ts';
import { justUnder, PieceCures } from './pieceCures.ts';

type CutCode =
  | 'CUT_NOTHING'
  | 'CUT_LEFT_OUT'
  | 'CUT_APART'
  | 'CUT_ROUNDS'
  | 'CUT_RAISED_LESS'
  | 'CUT_RIM_NARROWED'
  | 'CUT_RIM_CLIPPED'
  | 'CUT_LOOSE'
  | 'CUT_RING';

/** Of cuts: what other pieces make of a piece. */
export const CUT_REMARKS: RemarkDefinitions<CutCode> = {
  CUT_NOTHING: { ...missing('steps', ({ stepId }, c) => c.without(stepId)), inVain: true },
  CUT_LEFT_OUT: {
    ...missing('steps', (params, c, around) =>
      isOfBody(params) ? bodyCure(params, c) : cutterCure({ code: 'CUT_LEFT_OUT', params }, c, around),
    ),
    inVain: true,
  },
  CUT_APART: {
    chapter: 'steps',
    tone: ({ all }) => (all ? 'missing' : 'warning'),
    inVain: ({ all }) => all,
    cure: (params, c, around) => cutterCure({ code: 'CUT_APART', params }, c, around),
  },
  CUT_ROUNDS: warning('steps', (params, c, around) => cutterCure({ code: 'CUT_ROUNDS', params }, c, around)),
  CUT_RAISED_LESS: warning('steps', ({ stepId, takenMm, leanPercent }, c) => {
    const kept = { raiseMm: justUnder(takenMm), leanPercent: justUnder(leanPercent) };
    return cure('KEEP_SO', {}, c.step(stepId, kept));
  }),
  CUT_RIM_NARROWED: warning('steps', ({ stepId, takenMm }, c) =>
    cure('KEEP_SO', {}, c.step(stepId, { softMm: justUnder(takenMm) })),
  ),
  CUT_RIM_CLIPPED: warning('steps', ({ stepId, fitsMm }, c) => {
    const mm = fitsMm < LEAST_RIM_MM ? 0 : justUnder(fitsMm);
    return cure(mm === 0 ? 'SHARP_RIM' : 'RIM', { mm }, c.step(stepId, { softMm: mm }));
  }),
  CUT_LOOSE: warning('steps', ({ stepId, kept }, c) =>
    kept ? cure('LEAVE_OUT', {}, c.step(stepId, { loose: 'drop' })) : undefined,
  ),
  CUT_RING: warning('steps', ({ stepId }, c) => cure('NO_RING', {}, c.step(stepId, { ringMm: 0 }))),
};

type CutRemark = Extract<Remark, { code: 'CUT_APART' | 'CUT_ROUNDS' | 'CUT_LEFT_OUT' }>;

/** Of what cuts, unless somebody has locked it. */
function cutterCure(remark: CutRemark, c: PieceCures, around: CureAround): Cure | undefined {
  const step = stepOf(c, remark.params.stepId);
  const tool = step && ownEntry(around.pieces, step.target);
  if (!tool || tool.locked) return undefined;
  const t = new PieceCures(tool, around.freshId);
  return toolCure(remark, { c, step, tool, t, lies: ontoStepOf(tool), around });
}

const stepOf = ({ piece }: PieceCures, id: string): CuttingStep | undefined =>
  piece.steps.filter(isCutting).find((one) => one.id === id);

/** Faults of the body itself, and faces that cross where nothing is told of what cuts. */
const isOfBody = ({ why, because }: RemarkParams['CUT_LEFT_OUT']): boolean =>
  ['open', 'inward', 'large', 'fine'].includes(why) || (why === 'volume' && !because);
/** As many points as can be cut at all events. */
const FEWER_TRIANGLES = 400_000;

function bodyCure({ stepId, why }: RemarkParams['CUT_LEFT_OUT'], c: PieceCures): Cure {
  if (why === 'fine') return cure('JOIN_POINTS', {}, c.before(stepId, usualStep('join', '')));
  if (why === 'large') {
    const reduce = { ...usualStep('reduce', ''), by: 'count' as const, count: FEWER_TRIANGLES };
    return cure('FEWER_FACES', { triangles: FEWER_TRIANGLES }, c.before(stepId, reduce));
  }
  const { piece } = c;
  if (why !== 'inward' || !isModel(piece)) return c.solid(stepId);
  const sides = piece.source.sides === 'over' ? 'own' : 'over';
  return cure('FACE_OUTWARD', {}, [{ kind: 'setModel', pieceId: piece.id, values: { sides } }]);
}

interface ToolCure {
  /** of what is cut */
  c: PieceCures;
  step: CuttingStep;
  tool: Piece;
  /** of what cuts it */
  t: PieceCures;
  /** how that is laid */
  lies: OntoStep | undefined;
  around: CureAround;
}

/** What cuts is laid or made another way. */
function toolCure(remark: CutRemark, at: ToolCure): Cure | undefined {
  const why = remark.code === 'CUT_LEFT_OUT' ? remark.params.why : undefined;
  const because = 'because' in remark.params ? remark.params.because : undefined;
  const told = because && at.around.cureOf(because, at.tool, at.around);
  if (remark.code === 'CUT_APART' && remark.params.isInside) return outOfIt(at);
  if (remark.code === 'CUT_APART' || why === 'empty') return metCure(at, told);
  if (why === 'cutter' || why === 'crossed' || why === 'volume') return told ?? untangled(at);
  return at.t.movedALittle(at.lies);
}

/** Letters that are sunk deeper than they are high come out by half; what is of no use inside is taken away. */
function outOfIt({ c, step, tool }: ToolCure): Cure {
  if (step.operation !== 'join' || !isLettering(tool)) return c.without(step.id);
  const mm = justUnder(tool.body.solid.depthMm / 2);
  return cure('DEPTH', { mm }, c.step(step.id, { sinkMm: mm }));
}

/** Brought to where the two meet; what does nothing even there is taken away. */
function metCure({ c, t, step, tool, lies }: ToolCure, told: Cure | undefined): Cure {
  if (lies?.target === c.piece.id)
    return (
      told ?? (lies.liftMm > 0 ? t.lifted(lies.id, -lies.liftMm) : (t.heldInMiddle(lies.id) ?? c.without(step.id)))
    );
  if (isLettering(tool)) return t.laidOn(c.piece.id);
  return standsAt(tool, c.piece) ? c.without(step.id) : t.broughtTo(c.piece);
}

/** What runs into itself where it lies. */
function untangled({ c, t, step, tool, lies }: ToolCure): Cure | undefined {
  if (!isLettering(tool)) return t.solid();
  if (step.softMm > 0) return cure('SHARP_RIM', {}, c.step(step.id, { softMm: 0 }));
  // walls that lean towards each other meet where they are deep
  if (step.operation === 'engrave' && step.sinkMm > SHALLOW_MM) {
    const mm = justUnder(Math.max(SHALLOW_MM, step.sinkMm / 4));
    return cure('DEPTH', { mm }, c.step(step.id, { sinkMm: mm }));
  }
  if (lies?.target === c.piece.id && lies.method === 'round')
    return cure('LAY', { method: 'direction' }, t.step(lies.id, { method: 'direction' }));
  return t.smaller(SMALLER);
}

const SHALLOW_MM = 1;
/** Narrower rims are none. */
const LEAST_RIM_MM = 0.02;
/** Of their size, percent: letters that have no room. */
const SMALLER = 80;

const standsAt = (one: Piece, other: Piece): boolean =>
  deepEqual([one.placement.pivot, one.placement.atMm], [other.placement.pivot, other.placement.atMm]);
