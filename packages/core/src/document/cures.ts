import type { Remark, RemarkParams } from '../base/index.ts';
import type { Edit } from './edits.ts';
import { isWords, ontoStepOf } from './kinds.ts';
import type { Faces, Piece } from './schema.ts';
import type { Step } from './stepSchema.ts';
import { withStrength } from './stepStrength.ts';
import { usualStep } from './usualStep.ts';

/** Holes that nobody has tried to close yet. */
export const canClose = ({ openEdges, isClosed }: RemarkParams['MODEL_OPEN']): boolean => openEdges > 0 && !isClosed;

/** What one press can do about a remark of a piece; undefined where nothing can. `freshId`: for a step that is added. */
export function cureOf(remark: Remark, piece: Piece, freshId: string): Edit[] | undefined {
  const c = new Cures(piece);
  switch (remark.code) {
    case 'EDGES_SCALED':
      return [{ kind: 'setSolid', pieceId: piece.id, values: { depthMm: Math.ceil(remark.params.askedMm) } }];
    case 'LETTERS_CROSS':
      return c.words({ letters: 'joined' });
    case 'CIRCLE_OVERFULL': {
      const { line } = isWords(piece) ? piece.source : {};
      return line?.kind === 'circle' ? c.words({ line: { ...line, radiusMm: remark.params.neededMm } }) : undefined;
    }
    case 'OVER_BUDGET':
      return c.faces(coarser(piece.body.faces));
    case 'MODEL_OPEN':
      return c.closed(remark.params, freshId);
    case 'ALONG_CROSSES':
      return c.finerCurves(remark.params.finerMm);
    case 'NEED_FINER':
      return c.faces(piece.body.faces.style === 'bands' ? finerBands(piece.body.faces, remark.params) : { sizeMm: 0 });
    case 'RECAST_LOSES': {
      const { stepId, finerMm: sizeMm } = remark.params;
      return sizeMm === undefined ? undefined : c.step(stepId, { sizeMm });
    }
    case 'REDUCE_SHORT': {
      const { stepId, left: count, percent } = remark.params;
      return c.step(stepId, { count, sharePercent: Math.min(100, Math.ceil(10 * percent) / 10) });
    }
    case 'SHAPE_CROSSES':
    case 'SHAPE_FOLDS': {
      if (remark.code === 'SHAPE_CROSSES' && remark.params.finerMm !== undefined)
        return c.finerCurves(remark.params.finerMm);
      const { stepId, limit } = remark.params;
      return limit === undefined || stepId === undefined ? undefined : c.noStronger(stepId, limit);
    }
    case 'SHAPE_TOUCHES':
      return c.noStronger(remark.params.stepId, remark.params.limit);
    case 'SHAPE_STRAYS':
      return c.faces({ shaped: 'fine' });
    default:
      return laidOrCut(remark, piece, c);
  }
}

/** Of what lies on other pieces, and of cuts. */
function laidOrCut(remark: Remark, piece: Piece, c: Cures): Edit[] | undefined {
  switch (remark.code) {
    case 'CUT_LOOSE':
      return remark.params.kept ? c.step(remark.params.stepId, { loose: 'drop' }) : undefined;
    case 'CUT_RIM_NARROWED':
      return c.step(remark.params.stepId, { softMm: justUnder(remark.params.takenMm) });
    case 'CUT_RAISED_LESS': {
      const { stepId, takenMm, leanPercent } = remark.params;
      return c.step(stepId, { raiseMm: justUnder(takenMm), leanPercent: justUnder(leanPercent) });
    }
    case 'ONTO_OVERHANGS': {
      // the one that lays it: others are off, or come after it
      const laid = ontoStepOf(piece);
      return remark.params.instead === 'straight' && laid ? c.step(laid.id, { overhang: 'leave' }) : undefined;
    }
    case 'ONTO_BORDER':
      return c.withinBorder(remark.params);
    case 'ONTO_SINKS':
    case 'ONTO_FLOATS': {
      const { stepId, better, byMm } = remark.params;
      if (better === 'bending') return c.step(stepId, { rigid: false });
      if (better !== 'lift') return c.step(stepId, { method: better });
      return c.lifted(stepId, (remark.code === 'ONTO_SINKS' ? 1 : -1) * justOver(byMm));
    }
    default:
      return undefined;
  }
}

/** Edits of one piece. */
class Cures {
  readonly #piece: Piece;

  constructor(piece: Piece) {
    this.#piece = piece;
  }

  words(values: Extract<Edit, { kind: 'setWords' }>['values']): Edit[] | undefined {
    return isWords(this.#piece) ? [{ kind: 'setWords', pieceId: this.#piece.id, values }] : undefined;
  }

  faces(values: Partial<Faces>): Edit[] {
    return [{ kind: 'setFaces', pieceId: this.#piece.id, values }];
  }

  finerCurves(toleranceMm: number | undefined): Edit[] | undefined {
    return toleranceMm === undefined ? undefined : this.faces({ toleranceMm });
  }

  steps(change: (step: Step) => Step, first: readonly Step[] = []): Edit[] {
    return [{ kind: 'setSteps', pieceId: this.#piece.id, steps: [...first, ...this.#piece.steps.map(change)] }];
  }

  /** Other values for one step. */
  step(id: string, values: Readonly<Record<string, unknown>>): Edit[] {
    return this.steps((step) => (step.id === id ? ({ ...step, ...values } as Step) : step));
  }

  /** One step as strong as it may be; a little under, so that rounding does not fold it again. */
  noStronger(id: string, limit: number): Edit[] {
    return this.steps((step) => (step.id === id ? withStrength(step, justUnder(limit)) : step));
  }

  /** Points joined, or holes closed. */
  closed(told: RemarkParams['MODEL_OPEN'], freshId: string): Edit[] | undefined {
    const { joinMm: withinMm } = told;
    if (withinMm !== undefined) return this.steps((step) => step, [{ ...usualStep('join', freshId), withinMm }]);
    return canClose(told) ? [{ kind: 'setModel', pieceId: this.#piece.id, values: { closed: true } }] : undefined;
  }

  /** Farther from the surface by so much, mm. */
  lifted(id: string, byMm: number): Edit[] {
    return this.steps((step) =>
      step.id === id && step.kind === 'onto' ? { ...step, liftMm: Number((step.liftMm + byMm).toFixed(3)) } : step,
    );
  }

  /** Where there is room, or as large as there is. */
  withinBorder(told: RemarkParams['ONTO_BORDER']): Edit[] | undefined {
    const { stepId, fromMm, acrossMm, upMm, sizePercent } = told;
    const { source } = this.#piece;
    if (!fromMm) {
      if (sizePercent === undefined || source.kind !== 'words') return undefined;
      return this.words({ sizeMm: Math.max(LEAST_MM, Math.floor((source.sizeMm * sizePercent) / 10) / 10) });
    }
    return this.steps((step) => {
      if (step.id !== stepId || step.kind !== 'onto') return step;
      const { place } = step;
      return place.kind === 'side' && acrossMm !== undefined && upMm !== undefined
        ? { ...step, place: { ...place, acrossMm, acrossFrom: 'middle', upMm, upFrom: 'middle' } }
        : { ...step, place: { kind: 'pressed' }, fromMm: [...fromMm] };
    });
  }
}

const LEAST_MM = 0.1;

/** Whatever makes the faces small. */
const coarser = (faces: Faces): Partial<Faces> =>
  faces.sizeMm > 0
    ? { sizeMm: Math.min(10_000, faces.sizeMm * 4) }
    : { toleranceMm: Math.min(10, faces.toleranceMm * 4) };

const MOST_BANDS = 1000;

/** As many more bands as edges are too long; where that is too many, edges are cut as the shape needs them. */
function finerBands({ bands }: Faces, { haveMm, needMm }: RemarkParams['NEED_FINER']): Partial<Faces> {
  const more = Math.ceil((bands * haveMm) / needMm);
  return more <= MOST_BANDS ? { bands: more } : { style: 'plain' };
}

/** Two figures of a value, towards zero or away from it. */
const figures = (value: number, round: (v: number) => number): number => {
  let unit = 1;
  for (let v = Math.abs(value) || 1; v < 10 && unit < 1e6; v *= 10) unit *= 10;
  return Number((round(value * unit) / unit).toFixed(6));
};
const justUnder = (value: number): number => figures(value, Math.trunc);
const justOver = (value: number): number => figures(value, Math.ceil);
