import {
  isCutting,
  isOnEdge,
  isOnto,
  type CuttingStep,
  type EdgeStep,
  type OntoStep,
  type Step,
} from '../steps/index.ts';
import type {
  DrawingPiece,
  FormPiece,
  LetteringPiece,
  ModelPiece,
  OwnLetter,
  Piece,
  Project,
  WordsPiece,
} from './schema.ts';
import { isShown } from './tree.ts';

type Source = Piece['source'];
export const isOfWords = (source: Source): source is WordsPiece['source'] => source.kind === 'words';
export const isOfDrawing = (source: Source): source is DrawingPiece['source'] => source.kind === 'drawing';

export const isWords = (piece: Piece): piece is WordsPiece => isOfWords(piece.source);
export const isDrawing = (piece: Piece): piece is DrawingPiece => isOfDrawing(piece.source);
export const isForm = (piece: Piece): piece is FormPiece => piece.source.kind === 'form';
/** A plate that is made round the words of another piece. */
export const isPanel = (piece: Piece): piece is FormPiece => isForm(piece) && 'around' in piece.source.form;
export const isModel = (piece: Piece): piece is ModelPiece => piece.source.kind === 'model';
export const isLettering = (piece: Piece): piece is LetteringPiece => isWords(piece) || isDrawing(piece);

/** The step that lays a piece onto another one: the first that is on. */
export const ontoStepOf = ({ steps }: { steps: readonly Step[] }): OntoStep | undefined =>
  steps.filter(isOnto).find(({ on }) => on);

/** The steps that are on and run along edges of other pieces. */
export const edgeStepsOf = ({ steps }: { steps: readonly Step[] }): EdgeStep[] =>
  steps.filter(isOnEdge).filter(({ on }) => on);

/** Another piece that a step asks for. */
export interface StandsBy {
  stepId: string;
  targetId: string;
}

/**
 * Other pieces that a piece asks for: what a panel is made round, those whose edges it runs along, and what it is laid
 * onto first.
 */
export function standsOn({ source, steps }: Pick<Piece, 'source' | 'steps'>): {
  around?: string;
  edges: StandsBy[];
  onto?: StandsBy;
} {
  const step = ontoStepOf({ steps });
  return {
    ...(source.kind === 'form' &&
      'around' in source.form &&
      source.form.around !== '' && { around: source.form.around }),
    edges: edgeStepsOf({ steps }).map(({ id, path }) => ({ stepId: id, targetId: path.target })),
    ...(step && { onto: { stepId: step.id, targetId: step.target } }),
  };
}

/** Stands for the piece that a panel is made round, where others have the id of a step. */
export const AROUND = ' around';

/**
 * Other pieces that a piece asks for, by what for: the id of a step, or AROUND. It stands where the last of them does.
 */
export function standsInOrder(piece: Pick<Piece, 'source' | 'steps'>): StandsBy[] {
  const { around, edges, onto } = standsOn(piece);
  return [...(around === undefined ? [] : [{ stepId: AROUND, targetId: around }]), ...edges, ...(onto ? [onto] : [])];
}

export const standOf = (piece: Pick<Piece, 'source' | 'steps'>): StandsBy | undefined => standsInOrder(piece).at(-1);

/** Steps with which other pieces cut a piece, or become a part of it. */
export const cutsOf = ({ steps }: { steps: readonly Step[] }): CuttingStep[] => steps.filter(isCutting);

type Pieces = Pick<Project, 'pieces' | 'pieceOrder'>;
type PiecesInGroups = Pick<Project, 'pieces' | 'pieceOrder' | 'groups'>;

/** The steps with which a piece cuts others or becomes a part of them, on or off. */
export const cutBy = (project: Pieces, pieceId: string): CuttingStep[] =>
  project.pieceOrder
    .filter((id) => id !== pieceId)
    .flatMap((id) => cutsOf(project.pieces[id]).filter(({ target }) => target === pieceId));

/** Pieces that cut others: they are not seen by themselves. */
export const toolsOf = ({ pieces, pieceOrder }: Pieces): Set<string> =>
  new Set(pieceOrder.flatMap((id) => cutsOf(pieces[id]).flatMap(({ target }) => (target === id ? [] : [target]))));

/** Pieces that are seen by themselves: shown, and no tool for another one. */
export function standAlone(project: PiecesInGroups): string[] {
  const tools = toolsOf(project);
  return project.pieceOrder.filter((id) => isShown(project, project.pieces[id]) && !tools.has(id));
}

const NOTHING: Readonly<Record<string, OwnLetter>> = {};
/** What is said of letters or colours alone. */
export const ownOf = ({ source }: Pick<Piece, 'source'>): Readonly<Record<string, OwnLetter>> =>
  'own' in source ? source.own : NOTHING;

/** Ids of what can have something of its own: letters, or a drawing's colours. */
export function ownIds(piece: Piece): number[] {
  if (!isLettering(piece)) return [];
  const { source } = piece;
  if (source.kind === 'words') return source.graphemes.map((g) => g.id);
  return source.shape.kind === 'paths' ? source.shape.colours.map((colour) => colour.id) : [1];
}
