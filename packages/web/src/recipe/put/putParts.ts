import { type OtherPiece } from '../../fields/index.ts';
import {
  isCut,
  isOnto,
  middleOfSide,
  putRows,
  putStepOf,
  usualStep,
  withWay,
  type CutStep,
  type HeldPlace,
  type OntoStep,
  type PutWay,
  type Step,
  type StepRow,
} from '@fictile/core';

/** A piece on a body, with the steps that say so: that which lays it, and that of the body with which it is let in. */
export interface Standing {
  piece: OtherPiece;
  body: OtherPiece | undefined;
  onto: OntoStep | undefined;
  cut: CutStep | undefined;
}

export const FRONT: HeldPlace = middleOfSide('front');

/** How something is laid on a body first: in the middle of its front. */
export const firstLaid = (id: string, target: string): OntoStep => ({
  ...usualStep('onto', id),
  target,
  method: 'flat',
  heldBy: 'middle',
  place: FRONT,
});

const ontoOn = ({ steps }: OtherPiece, bodyId: string): OntoStep | undefined =>
  steps.filter(isOnto).find(({ on, target }) => on && target === bodyId);

/** By a step of the piece that lays it. */
export function standingBy(onto: OntoStep, piece: OtherPiece, others: readonly OtherPiece[]): Standing {
  const body = others.find(({ id }) => id === onto.target);
  return { piece, body, onto, cut: body && putStepOf(body, piece.id) };
}

/** By a step of the body that lets something in; undefined where that is no longer there. */
export function standingIn(cut: CutStep, body: OtherPiece, pieces: readonly OtherPiece[]): Standing | undefined {
  const piece = pieces.find(({ id }) => id === cut.target);
  return piece && { piece, body, onto: ontoOn(piece, body.id), cut };
}

/** All that merely lies on a body. */
export const lyingOn = (body: OtherPiece, others: readonly OtherPiece[]): Standing[] =>
  others.flatMap((piece) => {
    const onto = ontoOn(piece, body.id);
    return onto && !putStepOf(body, piece.id) ? [{ piece, body, onto, cut: undefined }] : [];
  });

/** Bodies that a piece is let into from where it stands, or once more. */
export const letInto = (piece: OtherPiece, others: readonly OtherPiece[]): Standing[] =>
  others.flatMap((body) =>
    body.steps
      .filter(isCut)
      .filter(({ target }) => target === piece.id)
      .filter((cut) => !ontoOn(piece, body.id) || cut !== putStepOf(body, piece.id))
      .map((cut) => ({ piece, body, onto: ontoOn(piece, body.id), cut })),
  );

/** Another value of what lays it, or of what lets it in. */
export function changed({ piece, body }: Standing, next: OntoStep | CutStep): StepRow[] {
  const owner = isOnto(next) ? piece : body;
  if (!owner) return [];
  return [
    {
      pieceId: owner.id,
      steps: owner.steps.map((one): Step => (one.id === next.id && one.kind === next.kind ? next : one)),
    },
  ];
}

export function wayChanged({ piece, body }: Standing, way: PutWay): StepRow[] {
  return body ? [{ pieceId: body.id, steps: withWay(body, piece.id, way, { freshId: crypto.randomUUID() }) }] : [];
}

/** On another body, at the same place of it where that has a name. */
export function bodyChanged({ piece, body, onto, cut }: Standing, next: OtherPiece): StepRow[] {
  const laid = onto ?? firstLaid(crypto.randomUUID(), next.id);
  const place = laid.place.kind === 'side' ? laid.place : FRONT;
  const way = cut?.on ? cut.operation : 'lie';
  return putRows({
    piece,
    onto: { ...laid, target: next.id, place },
    body: next,
    way,
    before: body,
    freshId: crypto.randomUUID(),
  });
}

/** Another piece in its place: the one before is where it was without it. Bodies cut from where they stand. */
export function pieceChanged({ piece, body, onto, cut }: Standing, next: OtherPiece): StepRow[] {
  if (!body) return [];
  const known = next.steps.find(isOnto);
  const laid = { ...(onto ?? firstLaid('', body.id)), id: known?.id ?? crypto.randomUUID(), letters: [] };
  const rest = next.steps.filter((step) => step !== known);
  const order = known ? next.steps.map((step): Step => (step === known ? laid : step)) : [...rest, laid];
  return [
    ...(onto ? [{ pieceId: piece.id, steps: piece.steps.filter((step) => step !== onto) }] : []),
    ...(next.isBody ? [] : [{ pieceId: next.id, steps: order }]),
    ...(cut
      ? [
          {
            pieceId: body.id,
            steps: body.steps.map((step): Step => (step === cut ? { ...cut, target: next.id } : step)),
          },
        ]
      : []),
  ];
}

/**
 * How far across and up of the middle a place lies, from another border instead; the body's size by its box before its
 * steps.
 */
export function measuredFrom(
  place: Extract<HeldPlace, { kind: 'side' }>,
  from: Partial<typeof place>,
  flat: OtherPiece['flat'],
): HeldPlace {
  if (!flat) return { ...place, ...from };
  const [wide, tall, deep] = [0, 1, 2].map((k) => flat.high[k] - flat.low[k]);
  const isAside = place.side === 'left' || place.side === 'right';
  const isLevel = place.side === 'top' || place.side === 'under';
  const next = { ...place, ...from };
  const to = (mm: number, [was, is]: readonly [string, string], half: number): number => {
    const middle = BEFORE.has(was) ? mm - half : BEYOND.has(was) ? half - mm : mm;
    const there = BEFORE.has(is) ? middle + half : BEYOND.has(is) ? half - middle : middle;
    return Math.round(10 * there) / 10 + 0;
  };
  return {
    ...next,
    acrossMm: to(place.acrossMm, [place.acrossFrom, next.acrossFrom], (isAside ? deep : wide) / 2),
    upMm: to(place.upMm, [place.upFrom, next.upFrom], (isLevel ? deep : tall) / 2),
  };
}

const BEFORE: ReadonlySet<string> = new Set(['left', 'below']);
const BEYOND: ReadonlySet<string> = new Set(['right', 'above']);
