import type { Step } from '../steps/index.ts';
import { fail, LIMITS, ok, ownEntry, type Result } from '../base/index.ts';
import { changedFault } from './changedFault.ts';
import { followed, originalOf, withoutSource } from './copies.ts';
import { usualOwn } from './defaults.ts';
import {
  addGroup,
  dissolveGroup,
  hang,
  moveItems,
  ordered,
  placeGroup,
  withGroup,
  withoutEmpty,
} from './groupEdits.ts';
import { isDrawing, isForm, isLettering, isModel, isWords, ownIds } from './kinds.ts';
import { changesOf, withSoundChanges } from './linked.ts';
import { namedAfter } from './names.ts';
import {
  type Drawing,
  type Finish,
  type FormShape,
  type Group,
  type Hung,
  type Model,
  type OwnLetter,
  type Piece,
  type Placement,
  type Project,
  type SceneView,
  type Slot,
  type Slots,
  type Words,
} from './schema.ts';
import { isLocked } from './tree.ts';

/** All that can be done to a document. Edits are data: they can be named, sent, and joined. */
export type Edit =
  | { kind: 'renameProject'; name: string }
  /** the whole document as another one has it, an older version for one; the id stays */
  | { kind: 'takeDocument'; project: Project }
  | { kind: 'spliceWords'; pieceId: string; at: number; remove: number; insert: readonly string[] }
  | { kind: 'setWords'; pieceId: string; values: Partial<Omit<Words, 'kind' | 'graphemes' | 'nextId' | 'own'>> }
  | { kind: 'setDrawing'; pieceId: string; values: Partial<Omit<Drawing, 'kind' | 'own'>> }
  | { kind: 'setForm'; pieceId: string; form: FormShape }
  | { kind: 'setModel'; pieceId: string; values: Partial<Omit<Model, 'kind'>> }
  /** what is said of letters, or of a drawing's colours, alone; null: nothing any more */
  | { kind: 'setOwn'; pieceId: string; ids: readonly number[]; values: Partial<OwnLetter> | null }
  | { kind: 'setSolid'; pieceId: string; values: Partial<Piece['body']['solid']> }
  | { kind: 'setFaces'; pieceId: string; values: Partial<Piece['body']['faces']> }
  | { kind: 'setSteps'; pieceId: string; steps: readonly Step[] }
  | { kind: 'setView'; values: Partial<SceneView> }
  | { kind: 'setPlacement'; pieceId: string; values: Partial<Placement> }
  | { kind: 'setFinish'; pieceId: string; slots: readonly Slot[]; values: Partial<Finish> }
  | { kind: 'finishBack'; pieceId: string; asFront: boolean }
  | { kind: 'setPiece'; pieceId: string; values: Partial<Pick<Piece, 'name' | 'role' | 'visible' | 'locked'>> }
  | { kind: 'addPiece'; piece: Piece; after?: string }
  /** a copy follows its source again in values (by `Changes`), or in all; as it was where it can't */
  | { kind: 'followAgain'; pieceId: string; paths: readonly string[] | 'all' }
  /** a copy follows nothing any more, and stays as it is */
  | { kind: 'unlink'; pieceId: string }
  /** what hangs on it stays where it was put last, groups that become empty go along, its first copy takes its place */
  | { kind: 'removePiece'; pieceId: string }
  /** a group where the first of its items stands, in the group that that is in */
  | { kind: 'addGroup'; group: Group; items: readonly string[] }
  | { kind: 'setGroup'; groupId: string; values: Partial<Pick<Group, 'name' | 'visible' | 'locked'>> }
  | { kind: 'placeGroup'; groupId: string; values: Partial<Group['placement']> }
  /** what is in it comes to where it was, and hangs on what it hung on */
  | { kind: 'dissolveGroup'; groupId: string }
  /** pieces and groups into a group (empty: into none), before another one that is in it, or behind all that are */
  | { kind: 'moveItems'; items: readonly string[]; within: string; before?: string }
  | { kind: 'hang'; items: readonly string[]; hung: Hung | null }
  | { kind: 'many'; edits: readonly Edit[] };

/** The document after an edit; the one before stays as it is and shares what did not change. */
export function applyEdit(project: Project, edit: Edit): Result<Project> {
  const changed = change(project, edit);
  if (!changed.ok) return changed;
  // a whole document has its copies as they are to be
  const next = edit.kind === 'takeDocument' ? changed.value : followed(project, changed.value);
  const fault = changedFault(project, next);
  return fault ? fail('PROJECT_BROKEN', fault) : ok(next);
}

type Of<K extends Edit['kind']> = Extract<Edit, { kind: K }>;
type PieceKind = { [K in Edit['kind']]: Of<K> extends { pieceId: string } ? K : never }[Edit['kind']];
type OnPieces = Exclude<PieceKind, 'removePiece' | 'followAgain'>;

/** What edits make of the whole document. */
const ON_PROJECTS: {
  readonly [K in Exclude<Edit['kind'], OnPieces>]: (project: Project, edit: Of<K>) => Result<Project>;
} = {
  renameProject: (project, { name }) => ok({ ...project, name }),
  takeDocument: ({ id }, edit) => ok({ ...edit.project, id }),
  setView: (project, { values }) => ok({ ...project, view: { ...project.view, ...values } }),
  addPiece: (project, { piece, after }) => ok(addPiece(project, piece, after)),
  removePiece,
  followAgain,
  addGroup: (project, { group, items }) => addGroup(project, group, items),
  setGroup: (project, { groupId, values }) => withGroup(project, groupId, (group) => ({ ...group, ...values })),
  placeGroup: (project, { groupId, values }) => placeGroup(project, groupId, values),
  dissolveGroup: (project, { groupId }) => dissolveGroup(project, groupId),
  moveItems: (project, edit) => moveItems(project, edit.items, edit),
  hang: (project, { items, hung }) => hang(project, items, hung),
  many: (project, { edits }) =>
    edits.reduce<Result<Project>>((so, one) => (so.ok ? change(so.value, one) : so), ok(project)),
};

/** What they make of one piece. */
const ON_PIECES: { readonly [K in OnPieces]: (piece: Piece, edit: Of<K>) => Result<Piece> } = {
  spliceWords(piece, { at, remove, insert }) {
    if (!isWords(piece)) return misplaced('words', piece);
    const words = spliceWords(piece.source, at, { remove, insert });
    if (!words.ok) return words;
    const name = namedAfter(piece.name, piece.source.graphemes, words.value.graphemes);
    return ok({ ...piece, name, source: words.value });
  },
  setWords: (piece, { values }) =>
    isWords(piece) ? ok({ ...piece, source: { ...piece.source, ...values } }) : misplaced('words', piece),
  setDrawing: (piece, { values }) =>
    isDrawing(piece) ? ok({ ...piece, source: { ...piece.source, ...values } }) : misplaced('drawing', piece),
  setForm: (piece, { form }) =>
    isForm(piece) ? ok({ ...piece, source: { ...piece.source, form } }) : misplaced('form', piece),
  setModel: (piece, { values }) =>
    isModel(piece) ? ok({ ...piece, source: { ...piece.source, ...values } }) : misplaced('model', piece),
  setOwn: (piece, { ids, values }) => setOwn(piece, ids, values),
  setSolid: (piece, { values }) => ok({ ...piece, body: { ...piece.body, solid: { ...piece.body.solid, ...values } } }),
  setFaces: (piece, { values }) => ok({ ...piece, body: { ...piece.body, faces: { ...piece.body.faces, ...values } } }),
  setSteps: (piece, { steps }) => ok({ ...piece, steps: [...steps] }),
  setPlacement: (piece, { values }) => ok({ ...piece, placement: { ...piece.placement, ...values } }),
  setFinish(piece, { slots: painted, values }) {
    // a back that gets a finish of its own no longer follows the front
    const isOwn = painted.some((slot) => slot === 'back' || slot === 'backEdge');
    const slots = isOwn ? finishBack(piece.slots, false) : { ...piece.slots };
    for (const slot of painted) slots[slot] = { ...slots[slot], ...values };
    return ok({ ...piece, slots });
  },
  finishBack: (piece, { asFront }) => ok({ ...piece, slots: finishBack(piece.slots, asFront) }),
  setPiece: (piece, { values }) => ok({ ...piece, ...values }),
  unlink: (piece) => ok(withoutSource(piece)),
};

const isOnPieces = (edit: Edit): edit is Of<OnPieces> => edit.kind in ON_PIECES;

function change(project: Project, edit: Edit): Result<Project> {
  if (!isOnPieces(edit))
    return (ON_PROJECTS[edit.kind] as (project: Project, edit: Edit) => Result<Project>)(project, edit);
  const piece = ownEntry(project.pieces, edit.pieceId);
  if (!piece) return fail('EDIT_MISPLACED', { what: 'piece', id: edit.pieceId });
  if (isLocked(project, piece) && edit.kind !== 'setPiece') return fail('PIECE_LOCKED', { name: piece.name });
  const changed = (ON_PIECES[edit.kind] as (piece: Piece, edit: Edit) => Result<Piece>)(piece, edit);
  return changed.ok ? ok({ ...project, pieces: { ...project.pieces, [piece.id]: changed.value } }) : changed;
}

function addPiece(project: Project, piece: Piece, after: string | undefined): Project {
  const at = after === undefined ? -1 : project.pieceOrder.indexOf(after);
  const order = project.pieceOrder.slice();
  order.splice(at < 0 ? order.length : at + 1, 0, piece.id);
  return ordered({ ...project, pieces: { ...project.pieces, [piece.id]: piece }, pieceOrder: order });
}

function removePiece(project: Project, { pieceId }: Of<'removePiece'>): Result<Project> {
  const removed = ownEntry(project.pieces, pieceId);
  if (removed && isLocked(project, removed)) return fail('PIECE_LOCKED', { name: removed.name });
  const pieces = Object.fromEntries(Object.entries(project.pieces).filter(([id]) => id !== pieceId));
  return ok(withoutEmpty({ ...project, pieces, pieceOrder: project.pieceOrder.filter((id) => id !== pieceId) }));
}

function followAgain(project: Project, { pieceId, paths }: Of<'followAgain'>): Result<Project> {
  const piece = ownEntry(project.pieces, pieceId);
  const source = piece && originalOf(project, piece);
  if (!source) return fail('EDIT_MISPLACED', { what: 'copy', id: pieceId });
  if (isLocked(project, piece)) return fail('PIECE_LOCKED', { name: piece.name });
  const left = Object.entries(changesOf(source, piece)).filter(([path]) => paths !== 'all' && !paths.includes(path));
  const copy = withSoundChanges(source, piece, Object.fromEntries(left));
  return ok({ ...project, pieces: { ...project.pieces, [pieceId]: copy } });
}

const misplaced = (what: string, { id }: Piece): Result<never> => fail('EDIT_MISPLACED', { what, id });

/** A letter of which nothing special is said is not kept. */
function setOwn(piece: Piece, ids: readonly number[], values: Partial<OwnLetter> | null): Result<Piece> {
  if (!isLettering(piece)) return misplaced('letter', piece);
  const known = new Set(ownIds(piece));
  const stray = ids.find((id) => !known.has(id));
  if (stray !== undefined) return fail('EDIT_MISPLACED', { what: 'letter', id: String(stray) });
  const usual = usualOwn();
  const own = { ...piece.source.own };
  for (const id of ids) {
    const next: OwnLetter = { ...(own[id] ?? usual), ...(values ?? usual) };
    if (JSON.stringify(next) === JSON.stringify(usual)) delete own[id];
    else own[id] = next;
  }
  return ok({ ...piece, source: { ...piece.source, own } });
}

/** A back that stops following the front keeps the look it had. */
function finishBack(slots: Slots, asFront: boolean): Slots {
  if (asFront || !slots.backAsFront) return { ...slots, backAsFront: asFront };
  return { ...slots, back: slots.front, backEdge: slots.frontEdge, backAsFront: false };
}

/** New graphemes get new ids; those that stay keep theirs, so that what was said of a letter stays with it. */
function spliceWords(
  words: Words,
  at: number,
  { remove, insert }: { remove: number; insert: readonly string[] },
): Result<Words> {
  const { graphemes } = words;
  if (!(at >= 0 && remove >= 0 && at + remove <= graphemes.length)) {
    return fail('EDIT_MISPLACED', { what: 'text', id: `${at}+${remove} of ${graphemes.length}` });
  }
  const size = graphemes.length - remove + insert.length;
  if (size > LIMITS.graphemes) return fail('TOO_LARGE', { what: 'text', size, limit: LIMITS.graphemes });
  const made = insert.map((text, i) => ({ id: words.nextId + i, text }));
  const gone = new Set(graphemes.slice(at, at + remove).map((g) => String(g.id)));
  return ok({
    ...words,
    graphemes: [...graphemes.slice(0, at), ...made, ...graphemes.slice(at + remove)],
    nextId: words.nextId + insert.length,
    own: Object.fromEntries(Object.entries(words.own).filter(([id]) => !gone.has(id))),
  });
}
