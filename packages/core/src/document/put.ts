import { isCut, usualStep, type CutStep, type OntoStep, type Step } from '../steps/index.ts';

/** What a piece does to the body that it is put on; `lie`: nothing. */
export type PutWay = CutStep['operation'];

interface Standing {
  id: string;
  steps: readonly Step[];
}

/** The steps of pieces that change together. */
export interface StepRow {
  pieceId: string;
  steps: Step[];
}

/** The step with which a piece is let into a body: the first that is on, or else the first. */
export function putStepOf({ steps }: Pick<Standing, 'steps'>, pieceId: string): CutStep | undefined {
  const own = steps.filter(isCut).filter(({ target }) => target === pieceId);
  return own.find(({ on }) => on) ?? own.at(0);
}

/** What a piece does to a body, by that body's steps. */
export function wayOf(body: Pick<Standing, 'steps'>, pieceId: string): PutWay {
  const step = putStepOf(body, pieceId);
  return step?.on ? step.operation : 'lie';
}

/** The body's steps with another way; all other values of the step stay. What merely lies there needs no step. */
export function withWay(
  body: Pick<Standing, 'steps'>,
  pieceId: string,
  way: PutWay,
  { freshId }: { freshId: string },
): Step[] {
  const known = putStepOf(body, pieceId);
  if (known) return body.steps.map((one) => (one === known ? { ...known, on: true, operation: way } : one));
  if (way === 'lie') return [...body.steps];
  return [...body.steps, { ...usualStep('cut', freshId), target: pieceId, operation: way }];
}

/** A piece on its way onto a body. */
export interface Put {
  piece: Standing;
  /** what lays it, its target named */
  onto: OntoStep;
  body: Standing;
  way: PutWay;
  /** another body that it lay on before */
  before: Standing | undefined;
  freshId: string;
}

/** The steps that change when a piece is put on a body; what it did to the one before goes along. */
export function putRows({ piece, onto, body, way, before, freshId }: Put): StepRow[] {
  const known = piece.steps.some(({ id }) => id === onto.id);
  const own = known ? piece.steps.map((one) => (one.id === onto.id ? onto : one)) : [...piece.steps, onto];
  const left = before && before.id !== body.id ? putStepOf(before, piece.id) : undefined;
  const moved = left && !putStepOf(body, piece.id) ? { ...body, steps: [...body.steps, left] } : body;
  const steps = withWay(moved, piece.id, way, { freshId });
  const isSame = steps.length === body.steps.length && steps.every((one, i) => one === body.steps[i]);
  return [
    { pieceId: piece.id, steps: own },
    ...(before && left ? [{ pieceId: before.id, steps: before.steps.filter((one) => one !== left) }] : []),
    ...(isSame ? [] : [{ pieceId: body.id, steps }]),
  ];
}
