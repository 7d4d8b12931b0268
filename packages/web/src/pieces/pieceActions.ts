import {
  drawingSize,
  findFinish,
  FORMS,
  type FormName,
  isForm,
  isPanel,
  isWords,
  newDrawing,
  newForm,
  newModel,
  newPiece,
  splitGraphemes,
  usualDrawing,
  usualForms,
  usualShapes,
  withOtherPieces,
  withPieces,
  type Drawing,
  type DrawingShape,
  type Edit,
  type FormShape,
  type Model,
  type Piece,
  type Project,
} from '@fictile/core';
import type { ProjectStore } from '../store/index.ts';
import { texts } from '../words/index.ts';
import { besideOriginals, centredOn, setBeside, type BoxOf } from './alignment.ts';

type Several = readonly Piece[];
/** Shapes that are drawn here. */
export type ShapeKind = Exclude<DrawingShape['kind'], 'paths'>;

/** What can be done with whole pieces, one or several at once. All of it is undoable. */
export interface PieceActions {
  /** words; gives their id, as the two below do */
  add(): string;
  addShape(kind: ShapeKind): string;
  addDrawing(drawing: Drawing, name: string): string;
  addForm(name: FormName): string;
  addModel(model: Omit<Model, 'kind'>, name: string): string;
  /** a model that is what a piece is now, in its place; the piece is hidden; gives the model's id */
  putInstead(model: Omit<Model, 'kind'>, piece: Piece): string;
  /** gives the ids of the copies */
  duplicate(pieces: Several): string[];
  rename(piece: Piece, name: string): void;
  show(pieces: Several, visible: boolean): void;
  showAlone(pieces: Several): void;
  showAll(): void;
  lock(pieces: Several, locked: boolean): void;
  /** those that are not locked */
  remove(pieces: Several): void;
  toZero(pieces: Several): void;
  ontoTable(pieces: Several): void;
  centreOn(pieces: Several, other: Piece): void;
  beside(pieces: Several, other: Piece): void;
}

export function pieceActions(store: ProjectStore, boxOf: BoxOf): PieceActions {
  const forAll = (pieces: Several, edit: (piece: Piece) => Edit): void =>
    store.edit({ kind: 'many', edits: pieces.map(edit) });
  const set = (pieces: Several, values: Extract<Edit, { kind: 'setPiece' }>['values']): void =>
    forAll(pieces, (piece) => ({ kind: 'setPiece', pieceId: piece.id, values }));
  const place = (pieces: Several, values: (piece: Piece) => Partial<Piece['placement']>): void =>
    forAll(pieces, (piece) => ({ kind: 'setPlacement', pieceId: piece.id, values: values(piece) }));
  const adding = addActions(store, boxOf);
  const all = (): Piece[] => store.project.pieceOrder.map((id) => store.project.pieces[id]);
  return {
    ...adding,
    putInstead: (model, piece) => insteadOf(store, model, piece),
    duplicate: (pieces) => duplicated(store, pieces, boxOf),
    rename: (piece, name) => set([piece], { name }),
    show: (pieces, visible) => set(pieces, { visible }),
    showAlone: (pieces) => {
      const alone = new Set(pieces.map((p) => p.id));
      forAll(all(), (p) => ({ kind: 'setPiece', pieceId: p.id, values: { visible: alone.has(p.id) } }));
    },
    showAll: () => set(all(), { visible: true }),
    lock: (pieces, locked) => set(pieces, { locked }),
    remove: (pieces) =>
      forAll(
        pieces.filter((p) => !p.locked),
        (p) => ({ kind: 'removePiece', pieceId: p.id }),
      ),
    toZero: (pieces) => place(pieces, () => ({ by: 'zero', stand: 'free', atMm: [0, 0, 0], turnDegrees: [0, 0, 0] })),
    ontoTable: (pieces) =>
      place(pieces, ({ placement: { atMm } }) => ({ stand: 'table', atMm: [atMm[0], 0, atMm[2]] })),
    centreOn: (pieces, other) => place(pieces, centredOn(pieces, other, boxOf)),
    beside: (pieces, other) => place(pieces, setBeside(pieces, other, boxOf)),
  };
}

/** New pieces; each gives its id. */
type AddActions = Pick<PieceActions, 'add' | 'addShape' | 'addDrawing' | 'addForm' | 'addModel'>;

function addActions(store: ProjectStore, boxOf: BoxOf): AddActions {
  const added = (piece: Piece): string => {
    store.edit({ kind: 'addPiece', piece });
    return piece.id;
  };
  const right = (): number | undefined => {
    const boxes = store.project.pieceOrder.flatMap((id) => boxOf(id) ?? []);
    return boxes.length === 0 ? undefined : Math.max(...boxes.map((box) => box.high[0]));
  };
  const addDrawing = (drawing: Drawing, name: string): string => {
    const piece = newDrawing(freshId(), nameFor(store.project, name), drawing);
    return added({ ...piece, placement: { ...piece.placement, atMm: [besideAll(drawing, right()), 0, 0] } });
  };
  /** on the table, to the right of everything */
  const addBody = (piece: Piece): string => {
    const edge = right();
    const x = isPanel(piece) || edge === undefined ? 0 : Math.min(FARTHEST_MM, Math.ceil(edge + BODY_ROOM_MM));
    const placement: Piece['placement'] = { ...piece.placement, stand: 'table', atMm: [x, 0, 0] };
    return added({ ...piece, placement, slots: bodySlots(piece.slots) });
  };
  const formOf = (name: FormName): FormShape => {
    const form = usualForms()[name];
    const words = store.project.pieceOrder.find((id) => isWords(store.project.pieces[id])) ?? '';
    return 'around' in form ? { ...form, around: words } : form;
  };
  return {
    add: () => {
      const name = nameFor(store.project, texts.pieces.newWords);
      return added(newPiece(freshId(), name, splitGraphemes(texts.pieces.newWords)));
    },
    addShape: (kind) => addDrawing(usualDrawing(usualShapes()[kind]), texts.drawing.shapes[kind]),
    addDrawing,
    addForm: (form) => addBody(newForm(freshId(), nameFor(store.project, texts.form.names[form]), formOf(form))),
    addModel: (model, name) => addBody(newModel(freshId(), nameFor(store.project, name), model)),
  };
}

/** To the right of everything, a tenth of its own width away; at zero where it would stand alone. */
const besideAll = ({ shape }: Drawing, right: number | undefined): number =>
  right === undefined ? 0 : Math.min(FARTHEST_MM, Math.ceil(right + drawingSize(shape).widthMm * 0.6));

const FARTHEST_MM = 90_000;

/** Gives the ids of the copies. */
function duplicated(store: ProjectStore, pieces: Several, boxOf: BoxOf): string[] {
  const ids = new Map(pieces.map(({ id }) => [id, freshId()]));
  const copies = pieces.map((piece) => ({
    ...standingOn(piece, ids),
    id: ids.get(piece.id) ?? freshId(),
    name: texts.pieces.copyOf(piece.name).slice(0, 200),
    placement: { ...piece.placement, ...besideOriginals(pieces, boxOf)(piece) },
  }));
  store.edit({
    kind: 'many',
    edits: copies.map((piece, i) => ({ kind: 'addPiece', piece, after: pieces[i].id })),
  });
  return copies.map((piece) => piece.id);
}

/** A model with a piece's finishes and coordinates, and that piece hidden: one step of undo. Gives the model's id. */
function insteadOf(store: ProjectStore, model: Omit<Model, 'kind'>, { id, slots, name }: Piece): string {
  const copy = newModel(freshId(), nameFor(store.project, texts.pieces.plainOf(name).slice(0, 200)), model);
  store.edit({
    kind: 'many',
    edits: [
      { kind: 'addPiece', piece: { ...copy, slots }, after: id },
      { kind: 'setPiece', pieceId: id, values: { visible: false } },
    ],
  });
  return copy.id;
}

/**
 * A piece that stands on others under new ids, where those have any: copies of several stand on each other as they did.
 */
function standingOn(piece: Piece, ids: ReadonlyMap<string, string>): Piece {
  const renamed = (id: string): string => ids.get(id) ?? id;
  const steps = piece.steps.map((step) => withOtherPieces(step, renamed));
  if (!isForm(piece)) return { ...piece, steps };
  const { source } = piece;
  const form = withPieces(FORMS[source.form.kind], source.form, renamed);
  return { ...piece, steps, source: { ...source, form } };
}

/** Between what is there and the middle of a new body. */
const BODY_ROOM_MM = 150;

/** Bodies begin as pale clay, so that letters stand out on them. */
const bodySlots = (slots: Piece['slots']): Piece['slots'] => ({
  ...slots,
  wall: { ...slots.wall, ...findFinish(BODY_FINISH) },
});
const BODY_FINISH = 'celadon';

const freshId = (): string => crypto.randomUUID();

function nameFor(project: Project, wanted: string): string {
  const taken = new Set(Object.values(project.pieces).map((p) => p.name));
  const stem = wanted.trim().slice(0, 190) || texts.pieces.drawing;
  let name = stem;
  for (let i = 2; taken.has(name); i++) name = `${stem} ${i}`;
  return name;
}
