import { deepEqual } from 'fast-equals';
import {
  type OntoStep,
  type Step,
  middleOfSide,
  usualStep,
  withStrength,
  isOnto,
  strengthUnit,
} from '../../steps/index.ts';
import type { RemarkParams } from '../../base/index.ts';
import type { Edit } from '../edits.ts';
import { standOf, isModel, isWords } from '../kinds.ts';
import type { Faces, Piece } from '../schema.ts';
import { canClose, cure, type Cure } from './cure.ts';

/** Cures of one piece. */
export class PieceCures {
  readonly piece: Piece;
  /** for a step that is added */
  readonly #freshId: string;

  constructor(piece: Piece, freshId: string) {
    this.piece = piece;
    this.#freshId = freshId;
  }

  words(values: Extract<Edit, { kind: 'setWords' }>['values']): Edit[] {
    return [{ kind: 'setWords', pieceId: this.piece.id, values }];
  }

  faces(values: Partial<Faces>): Edit[] {
    return [{ kind: 'setFaces', pieceId: this.piece.id, values }];
  }

  steps(change: (step: Step) => Step | Step[]): Edit[] {
    return [{ kind: 'setSteps', pieceId: this.piece.id, steps: this.piece.steps.flatMap(change) }];
  }

  /** Other values for one step. */
  step(id: string, values: Readonly<Record<string, unknown>>): Edit[] {
    return this.steps((step) => (step.id === id ? ({ ...step, ...values } as Step) : step));
  }

  onto(id: string, change: (step: OntoStep) => Partial<OntoStep>): Edit[] {
    return this.steps((step) => (step.id === id && isOnto(step) ? { ...step, ...change(step) } : step));
  }

  without(id: string): Cure {
    return cure(
      'TAKE_AWAY',
      {},
      this.steps((step) => (step.id === id ? [] : step)),
    );
  }

  /** One more step before another. */
  before(id: string, values: Step): Edit[] {
    const added = { ...values, id: this.#freshId };
    return this.steps((step) => (step.id === id ? [added, step] : step));
  }

  curvesWithin(toleranceMm: number | undefined): Cure | undefined {
    if (toleranceMm === undefined) return undefined;
    return cure('CURVES_WITHIN', { mm: toleranceMm }, this.faces({ toleranceMm }));
  }

  /** One step as strong as it may be; a little under, so that rounding does not fold it again. */
  noStronger(id: string, limit: number): Cure {
    const value = justUnder(limit);
    const edits = this.steps((step) => (step.id === id ? withStrength(step, value) : step));
    const step = this.piece.steps.find((one) => one.id === id);
    const unit = step ? strengthUnit(step.kind) : '';
    return cure('STRENGTH', { value, unit }, edits);
  }

  /** Words at a share of their size. */
  smaller(percent: number | undefined): Cure | undefined {
    if (percent === undefined || !isWords(this.piece)) return undefined;
    const sizeMm = Math.max(LEAST_MM, Math.floor((this.piece.source.sizeMm * percent) / 10) / 10);
    return cure('SIZE', { mm: sizeMm }, this.words({ sizeMm }));
  }

  /** Points joined, or holes closed. */
  closed(told: RemarkParams['MODEL_OPEN']): Cure | undefined {
    const { joinMm: withinMm } = told;
    if (withinMm === undefined) return canClose(told) ? this.closedHoles() : undefined;
    const join = { ...usualStep('join', this.#freshId), withinMm };
    const steps = [join, ...this.piece.steps];
    return cure('JOIN_POINTS', {}, [{ kind: 'setSteps', pieceId: this.piece.id, steps }]);
  }

  closedHoles(): Cure {
    return cure('CLOSE_HOLES', {}, [{ kind: 'setModel', pieceId: this.piece.id, values: { closed: true } }]);
  }

  /** Whatever is open, cast anew before a step or at the end; a model's holes are closed first. */
  solid(beforeId?: string): Cure {
    if (isModel(this.piece) && !this.piece.source.closed) return this.closedHoles();
    const recast = { ...usualStep('recast', this.#freshId), thickMm: THICK_MM };
    if (beforeId !== undefined) return cure('MAKE_SOLID', {}, this.before(beforeId, recast));
    return cure('MAKE_SOLID', {}, [{ kind: 'setSteps', pieceId: this.piece.id, steps: [...this.piece.steps, recast] }]);
  }

  /** Farther from the surface by so much, mm. */
  lifted(id: string, mm: number): Cure {
    const sum = (liftMm: number): number => Number((liftMm + mm).toFixed(3));
    return cure(
      'LIFT',
      { mm },
      this.onto(id, ({ liftMm }) => ({ liftMm: sum(liftMm) })),
    );
  }

  /** Held in the middle of the front; nothing where it is already. */
  heldInMiddle(stepId: string): Cure | undefined {
    const step = this.piece.steps.find(({ id }) => id === stepId);
    if (!step || !isOnto(step) || deepEqual(step.place, FRONT)) return undefined;
    return cure('HOLD_MIDDLE', {}, this.step(stepId, { place: FRONT, heldBy: 'middle' }));
  }

  /** Laid on another piece, in the middle of its front; where it lay on something before it lies on that no more. */
  laidOn(target: string): Cure {
    const lies: OntoStep = { ...usualStep('onto', this.#freshId), target, heldBy: 'middle', place: FRONT };
    const steps = [...this.piece.steps.filter((step) => !isOnto(step)), lies];
    return cure('LAY_ON', {}, [{ kind: 'setSteps', pieceId: this.piece.id, steps }]);
  }

  /** Where another piece stands. */
  broughtTo({ placement }: Piece): Cure {
    const { pivot, stand, atMm } = placement;
    return cure('BRING', {}, [{ kind: 'setPlacement', pieceId: this.piece.id, values: { pivot, stand, atMm } }]);
  }

  /** Aside and up, where it has a place of its own and may be changed. */
  room(acrossMm: number, upMm: number): Cure | undefined {
    if (this.piece.locked || standOf(this.piece)) return undefined;
    const [x, y, z] = this.piece.placement.atMm;
    const values = { atMm: [x + acrossMm, y + upMm, z] as [number, number, number] };
    return cure('MAKE_ROOM', {}, [{ kind: 'setPlacement', pieceId: this.piece.id, values }]);
  }

  /** Out of a place where borders meet by a hair. */
  movedALittle(onto: OntoStep | undefined): Cure {
    const says = { mm: LITTLE_MM };
    if (onto) return cure('MOVE_A_LITTLE', says, this.onto(onto.id, littleAside));
    const [x, y, z] = this.piece.placement.atMm;
    const atMm: [number, number, number] = [x + LITTLE_MM, y + LITTLE_MM, z];
    return cure('MOVE_A_LITTLE', says, [{ kind: 'setPlacement', pieceId: this.piece.id, values: { atMm } }]);
  }
}

const FRONT = middleOfSide('front');
const LEAST_MM = 0.1;
/** Of sheets that have to become solid. */
const THICK_MM = 2;
/** More than any rounding, and nothing that anybody sees. */
const LITTLE_MM = 0.05;

/** Across and up at once: a border runs along one of the two most often. */
function littleAside({ place, fromMm }: OntoStep): Partial<OntoStep> {
  if (place.kind === 'side')
    return { place: { ...place, acrossMm: place.acrossMm + LITTLE_MM, upMm: place.upMm + LITTLE_MM } };
  return { fromMm: [fromMm[0] + LITTLE_MM, fromMm[1] + LITTLE_MM, fromMm[2]] };
}

/** Two figures of a value, towards zero or away from it. */
const figures = (value: number, round: (v: number) => number): number => {
  let unit = 1;
  for (let v = Math.abs(value) || 1; v < 10 && unit < 1e6; v *= 10) unit *= 10;
  return Number((round(value * unit) / unit).toFixed(6));
};
export const justUnder = (value: number): number => figures(value, Math.trunc);
export const justOver = (value: number): number => figures(value, Math.ceil);
