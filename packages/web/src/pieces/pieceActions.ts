import {
  allItems,
  drawingSize,
  findFinish,
  type FormName,
  groupsAround,
  isGroup,
  isLocked,
  isPanel,
  isWords,
  liesOnAnother,
  newDrawing,
  newForm,
  newModel,
  newPiece,
  placeItem,
  setItem,
  splitGraphemes,
  STILL,
  stayingIn,
  usualDrawing,
  usualForms,
  usualShapes,
  type Box3,
  type Drawing,
  type DrawingShape,
  type Edit,
  type FormShape,
  type Item,
  type Model,
  type Piece,
  type Project,
  type Transform,
} from '@fictile/core';
import type { ProjectStore } from '../store/index.ts';
import { texts } from '../words/index.ts';
import { copyEdits, linkedCopies } from './copying.ts';
import {
  around,
  besideOriginals,
  besideItself,
  centredOn,
  putOnTable,
  setBeside,
  type Aligned,
  type BoxOf,
} from './alignment.ts';
import {
  emptiedBy,
  insideOf,
  groupActions,
  known,
  leaving,
  type GroupActions,
  type GroupTools,
  type Items,
} from './groupActions.ts';
import { frameIn, standsOf } from './standing.ts';

/** Shapes that are drawn here. */
export type ShapeKind = Exclude<DrawingShape['kind'], 'paths'>;

/** What can be done with whole pieces and groups, one or several at once. All of it is undoable. */
export interface PieceActions extends GroupActions {
  /** words; gives their id, as the two below do */
  add(): string;
  addShape(kind: ShapeKind): string;
  addDrawing(drawing: Drawing, name: string): string;
  addForm(name: FormName): string;
  addModel(model: Omit<Model, 'kind'>, name: string): string;
  /** a model that is what a piece is now, in its place; the piece is hidden; gives the model's id */
  putInstead(model: Omit<Model, 'kind'>, piece: Piece): string;
  /** gives the ids of the copies */
  duplicate(items: Items): string[];
  /** copies that follow what they are made of, each moved so in the scene; gives the ids of what is to be chosen */
  copies(items: Items, motions: readonly Transform[]): string[];
  /** around them as they stand; undefined while they have no solid */
  boxAround(items: Items): Box3 | undefined;
  /** one such, beside what it is made of */
  copyBeside(items: Items): string[];
  rename(item: Item, name: string): void;
  show(items: Items, visible: boolean): void;
  showAlone(items: Items): void;
  showAll(): void;
  lock(items: Items, locked: boolean): void;
  /** those that are not locked */
  remove(items: Items): void;
  toZero(items: Items): void;
  ontoTable(items: Items): void;
  centreOn(items: Items, other: Piece): void;
  beside(items: Items, other: Piece): void;
}

export function pieceActions(store: ProjectStore, tools: GroupTools): PieceActions {
  const { boxOf } = tools;
  const forAll = (items: Items, edit: (item: Item) => Edit): void =>
    store.edit({ kind: 'many', edits: items.map(edit) });
  const set = (items: Items, values: Partial<Pick<Piece, 'name' | 'visible' | 'locked'>>): void =>
    forAll(items, (item) => setItem(item, values));
  const place = (items: Items, values: (item: Item) => Partial<Piece['placement']>): void =>
    forAll(
      items.filter((item) => !isLocked(store.project, item)),
      (item) => placeItem(item, values(item)),
    );
  const boxAround = (items: Items): Box3 | undefined => around(insideOf(store.project, items), boxOf);
  const aligned = (items: Items): Aligned => ({
    own: boxAround(items),
    frameOf: (item) => standsOf(item, tools.standing())?.frame,
    lies: (item) => liesOnAnother(store.project, item),
  });
  const all = (): Item[] => allItems(store.project);
  return {
    ...addActions(store, boxOf),
    ...groupActions(store, tools),
    putInstead: (model, piece) => insteadOf(store, model, piece),
    duplicate: (items) => {
      const beside = besideOriginals(aligned(items));
      const copied = copyEdits(store.project, items, {
        nameOf: (item) => texts.pieces.copyOf(item.name),
        placeOf: beside,
      });
      store.edit({ kind: 'many', edits: copied.edits });
      return copied.ids;
    },
    boxAround,
    copyBeside: (items) => {
      const own = boxAround(items);
      const move = own ? besideItself(own) : STILL.move;
      return linkedCopies(store, items, { motions: [{ rows: STILL.rows, move }], standing: tools.standing() });
    },
    copies: (items, motions) => linkedCopies(store, items, { motions, standing: tools.standing() }),
    rename: (item, name) => set([item], { name }),
    show: (items, visible) => set(items, { visible }),
    showAlone: (items) => {
      const inside = known(store.project, insideOf(store.project, items));
      const alone = new Set([...inside, ...inside.flatMap((piece) => groupsAround(store.project, piece))]);
      forAll(all(), (item) => setItem(item, { visible: alone.has(item) }));
    },
    showAll: () => set(all(), { visible: true }),
    lock: (items, locked) => set(items, { locked }),
    remove: (items) => store.edit({ kind: 'many', edits: removal(store.project, items, tools) }),
    toZero: (items) =>
      place(items, (item) => ({
        ...(isGroup(item) ? {} : { pivot: { kind: 'zero' }, stand: 'free' }),
        ...{ atMm: [0, 0, 0], turnDegrees: [0, 0, 0] },
      })),
    ontoTable: (items) => place(items, putOnTable(aligned(items))),
    centreOn: (items, other) => place(items, centredOn(aligned(items), boxOf(other.id))),
    beside: (items, other) => place(items, setBeside(aligned(items), boxOf(other.id))),
  };
}

/** What hangs on what is removed stays where it is. */
function removal(project: Project, items: Items, { standing }: GroupTools): Edit[] {
  const pieces = known(project, insideOf(project, items)).filter((piece) => !isLocked(project, piece));
  const going: Items = [...pieces, ...emptiedBy(project, pieces)];
  const staying = (others: Items, to: Transform | undefined): Edit[] =>
    others.flatMap((item) => {
      const stands = standsOf(item, standing());
      const isFree = !going.includes(item) && !isLocked(project, item) && !liesOnAnother(project, item);
      return stands && to && isFree ? stayingIn(item, stands, to) : [];
    });
  return [
    ...leaving(project, going, { staying, frame: (groupId) => frameIn(project, groupId, standing()) }),
    ...pieces.map(({ id }): Edit => ({ kind: 'removePiece', pieceId: id })),
  ];
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
