import {
  isPanel,
  applyEdit,
  isLettering,
  isLocked,
  isShown,
  LIMITS,
  isWords,
  middleOfSide,
  ontoStepOf,
  groundOf,
  newPiece,
  putRows,
  putStepOf,
  splitGraphemes,
  usualStep,
  wayOf,
  type CutStep,
  type Edge,
  type Edit,
  type OntoStep,
  type Piece,
  type Project,
  type PutWay,
  type ShownPiece,
} from '@fictile/core';
import type { HeldOn } from '../viewport/index.ts';
import { texts } from '../words/index.ts';

/** A piece on its way onto a body: all that is not in the document yet. */
export interface OnTheWay {
  pieceId: string | undefined;
  /** words that come with it */
  made: Piece | undefined;
  /** undefined while none is met */
  held: HeldOn | undefined;
  /** the body that it was begun on, or was chosen by its name */
  begunOn: string | undefined;
  way: PutWay;
  method: OntoStep['method'];
  /** a person's choice is not changed by what the surface looks like */
  isMethodChosen: boolean;
  turnDegrees: number;
  /** times the size that the words have */
  scale: number;
  isSized: boolean;
  /** for steps that are made */
  ids: { onto: string; cut: string };
}

/** In the middle of a body's front. */
export function inFront(bodyId: string): HeldOn {
  const { fromMm, toward, up } = usualStep('onto', '');
  return { bodyId, place: middleOfSide('front'), fromMm, toward, up };
}

export const pieceOf = ({ pieceId, made }: OnTheWay, project: Project): Piece | undefined =>
  made ?? (pieceId === undefined ? undefined : project.pieces[pieceId]);

/** A piece begins on its way as it lies already, or flat in the middle of a body's front. */
export function begun(
  project: Project,
  from: { pieceId?: string; made?: Piece; bodyId?: string; way?: PutWay },
): OnTheWay {
  const { made, pieceId } = from;
  const piece = made ?? (pieceId === undefined ? undefined : project.pieces[pieceId]);
  const laid = piece && ontoStepOf(piece);
  const isLaid =
    piece !== undefined &&
    laid !== undefined &&
    (from.bodyId === undefined || laid.target === from.bodyId) &&
    laid.target in project.pieces;
  const body = from.bodyId === undefined ? undefined : project.pieces[from.bodyId];
  const { place, fromMm, toward, up } = laid ?? usualStep('onto', '');
  return {
    pieceId,
    made,
    held: isLaid ? { bodyId: laid.target, place, fromMm, toward, up } : body && inFront(body.id),
    begunOn: isLaid ? laid.target : body?.id,
    way: from.way ?? (isLaid ? wayOf(project.pieces[laid.target], piece.id) : 'engrave'),
    method: isLaid ? laid.method : 'flat',
    isMethodChosen: isLaid,
    turnDegrees: isLaid ? laid.turnDegrees : 0,
    scale: 1,
    isSized: isLaid,
    ids: { onto: crypto.randomUUID(), cut: crypto.randomUUID() },
  };
}

/** Words that come with the act. */
export const newWords = (): Piece =>
  newPiece(crypto.randomUUID(), texts.pieces.newWords, splitGraphemes(texts.pieces.newWords));

/** As it would be laid; undefined while it is over nothing. */
export function laidBy(state: OnTheWay, piece: Piece): OntoStep | undefined {
  const { held, method, turnDegrees } = state;
  if (!held) return undefined;
  const known = ontoStepOf(piece) ?? { ...usualStep('onto', state.ids.onto), heldBy: 'middle' as const };
  const { bodyId: target, place, fromMm, toward, up } = held;
  return { ...known, target, place, fromMm, toward, up, method, turnDegrees };
}

/** As it would be let in: as it is now, or as usual. */
export function letInBy(state: OnTheWay, project: Project, piece: Piece): CutStep {
  const lain = ontoStepOf(piece);
  const before = lain && lain.target in project.pieces ? project.pieces[lain.target] : undefined;
  return (before && putStepOf(before, piece.id)) ?? { ...usualStep('cut', state.ids.cut), target: piece.id };
}

/** What putting it there does to the document; `way`: `lie` shows it on its way. Nothing while it is over nothing. */
export function putEdits(state: OnTheWay, project: Project, way: PutWay): Edit[] {
  const piece = pieceOf(state, project);
  const onto = piece && laidBy(state, piece);
  const body = state.held && project.pieces[state.held.bodyId];
  if (!piece || !onto || !body) return [];
  const lain = ontoStepOf(piece);
  const before = lain ? project.pieces[lain.target] : undefined;
  const rows = putRows({ piece, onto, body, way, before, freshId: state.ids.cut });
  const steps = rows.map((row): Edit => ({ kind: 'setSteps', ...row }));
  return [
    ...(state.made ? [{ kind: 'addPiece', piece: state.made } as const] : []),
    ...sized(piece, state.scale),
    ...steps,
  ];
}

/** The document as it is shown meanwhile. */
export function shownOnTheWay(state: OnTheWay, project: Project): Project {
  const edits = putEdits(state, project, 'lie');
  const made = edits.length > 0 ? applyEdit(project, { kind: 'many', edits }) : undefined;
  return made?.ok ? made.value : project;
}

const USUAL = newPiece('usual', '', []);
const LEAST_MM = 0.1;
const MOST_MM = 10_000;
const tenths = (mm: number): number => Math.min(MOST_MM, Math.max(LEAST_MM, Math.round(10 * mm) / 10));

/** A tolerance, to two figures. */
const nearBy = (mm: number): number => Math.min(10, Math.max(LIMITS.finestToleranceMm, Number(mm.toPrecision(2))));

/** How large the words would be. */
export const sizeOn = ({ scale }: OnTheWay, piece: Piece): number | undefined =>
  isWords(piece) ? tenths(scale * piece.source.sizeMm) : undefined;

/** Words of another size; what of their solid and their faces nobody has changed goes along. */
function sized(piece: Piece, scale: number): Edit[] {
  if (!isWords(piece) || scale === 1) return [];
  const {
    id: pieceId,
    body: { solid, faces },
  } = piece;
  const usual = USUAL.body.solid;
  const near = USUAL.body.faces.toleranceMm;
  const edge = (own: Edge, one: Edge): Edge =>
    own.inMm === one.inMm && own.deepMm === one.deepMm
      ? { ...own, inMm: tenths(scale * own.inMm), deepMm: tenths(scale * own.deepMm) }
      : own;
  const values = {
    ...(solid.depthMm === usual.depthMm && { depthMm: tenths(scale * solid.depthMm) }),
    front: edge(solid.front, usual.front),
    back: edge(solid.back, usual.back),
  };
  return [
    { kind: 'setWords', pieceId, values: { sizeMm: tenths(scale * piece.source.sizeMm) } },
    { kind: 'setSolid', pieceId, values },
    ...(faces.toleranceMm === near
      ? [{ kind: 'setFaces', pieceId, values: { toleranceMm: nearBy(scale * near) } } as const]
      : []),
  ];
}

/** Of the room that words find: so much they take at first. */
const TAKES = 2 / 3;

/** What the surface says of a piece that was built there: how it lies best, and how large it is at first. */
export function settled(state: OnTheWay, project: Project, shown: ShownPiece | undefined): OnTheWay {
  const piece = pieceOf(state, project);
  const { onto } = shown ?? {};
  if (!piece || !onto?.advice || onto.targetId !== state.held?.bodyId) return state;
  const { method, wideMm, tallMm } = onto.advice;
  const lies = state.isMethodChosen || method === state.method ? state : { ...state, method };
  if (state.isSized) return lies;
  const { low, high } = onto.options.box;
  const share = Math.max((high[0] - low[0]) / wideMm, (high[1] - low[1]) / tallMm);
  const isUsual = isWords(piece) && piece.source.sizeMm === USUAL_SIZE;
  return { ...lies, isSized: true, ...(isUsual || share > 1 ? { scale: (state.scale * TAKES) / share } : {}) };
}

const USUAL_SIZE = isWords(USUAL) ? USUAL.source.sizeMm : 0;

/** Pieces that something may be put on: those that do not stand on it themselves. A panel made round it may well. */
export function bodiesFor(project: Project, pieceId: string | undefined): Piece[] {
  const standsOnIt = (piece: Piece): boolean => {
    const seen = new Set<string>();
    for (
      let under = groundOf(project, piece);
      under !== undefined && !seen.has(under);
      under = under in project.pieces ? groundOf(project, project.pieces[under]) : undefined
    ) {
      if (under === pieceId) return !isPanel(piece);
      seen.add(under);
    }
    return false;
  };
  const others = project.pieceOrder
    .map((id) => project.pieces[id])
    .filter(
      (piece) => piece.id !== pieceId && isShown(project, piece) && !isLocked(project, piece) && !standsOnIt(piece),
    );
  const bodies = others.filter((piece) => !isLettering(piece));
  return bodies.length > 0 ? bodies : others;
}

/** Lettering that may be put on a body. */
export const lettersFor = (project: Project, bodyId: string): Piece[] =>
  project.pieceOrder
    .map((id) => project.pieces[id])
    .filter(
      (piece) =>
        piece.id !== bodyId &&
        isLettering(piece) &&
        !isLocked(project, piece) &&
        bodiesFor(project, piece.id).some(({ id }) => id === bodyId),
    );

/** What moves it on. */
export interface Moves {
  change: (make: (before: OnTheWay) => OnTheWay) => void;
  take: (held?: HeldOn) => void;
  leave: () => void;
  addSlab: () => string;
}

/** A notch of the wheel. */
const A_NOTCH = 1.05;

export const largerBy = (before: OnTheWay, notches: number): OnTheWay => ({
  ...before,
  isSized: true,
  scale: before.scale * A_NOTCH ** notches,
});

export const turnedBy = (before: OnTheWay, degrees: number): OnTheWay => ({
  ...before,
  turnDegrees: turned(before.turnDegrees + degrees),
});

/** Between -180 and 180. */
const turned = (degrees: number): number => ((((degrees + 180) % 360) + 360) % 360) - 180;
