import type { Step } from '../steps/index.ts';
import { fail, LIMITS, ok, ownEntry, type Result } from '../base/index.ts';
import { usualOwn } from './defaults.ts';
import { isDrawing, isForm, isLettering, isModel, isWords, ownIds } from './kinds.ts';
import { firstIssue } from './parse.ts';
import {
  projectSchema,
  type Drawing,
  type Finish,
  type FormShape,
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
  | { kind: 'removePiece'; pieceId: string }
  | { kind: 'many'; edits: readonly Edit[] };

/** The document after an edit; the one before stays as it is and shares what did not change. */
export function applyEdit(project: Project, edit: Edit): Result<Project> {
  const changed = change(project, edit);
  if (!changed.ok) return changed;
  const parsed = projectSchema.safeParse(changed.value);
  if (parsed.success) return ok(changed.value);
  return fail('PROJECT_BROKEN', firstIssue(parsed.error));
}

function change(project: Project, edit: Edit): Result<Project> {
  switch (edit.kind) {
    case 'renameProject':
      return ok({ ...project, name: edit.name });
    case 'takeDocument':
      return ok({ ...edit.project, id: project.id });
    case 'setView':
      return ok({ ...project, view: { ...project.view, ...edit.values } });
    case 'addPiece':
      return ok(addPiece(project, edit.piece, edit.after));
    case 'many':
      return edit.edits.reduce<Result<Project>>((so, one) => (so.ok ? change(so.value, one) : so), ok(project));
    case 'removePiece': {
      const removed = ownEntry(project.pieces, edit.pieceId);
      if (removed?.locked) return fail('PIECE_LOCKED', { name: removed.name });
      const pieces = Object.fromEntries(Object.entries(project.pieces).filter(([id]) => id !== edit.pieceId));
      return ok({ ...project, pieces, pieceOrder: project.pieceOrder.filter((id) => id !== edit.pieceId) });
    }
    default: {
      const piece = ownEntry(project.pieces, edit.pieceId);
      if (!piece) return fail('EDIT_MISPLACED', { what: 'piece', id: edit.pieceId });
      if (piece.locked && edit.kind !== 'setPiece') return fail('PIECE_LOCKED', { name: piece.name });
      const changed = changePiece(piece, edit);
      return changed.ok ? ok({ ...project, pieces: { ...project.pieces, [piece.id]: changed.value } }) : changed;
    }
  }
}

function addPiece(project: Project, piece: Piece, after: string | undefined): Project {
  const at = after === undefined ? -1 : project.pieceOrder.indexOf(after);
  const order = project.pieceOrder.slice();
  order.splice(at < 0 ? order.length : at + 1, 0, piece.id);
  return { ...project, pieces: { ...project.pieces, [piece.id]: piece }, pieceOrder: order };
}

type PieceEdit = Extract<Edit, { pieceId: string }>;

function changePiece(piece: Piece, edit: PieceEdit): Result<Piece> {
  switch (edit.kind) {
    case 'spliceWords': {
      if (!isWords(piece)) return misplaced('words', piece);
      const words = spliceWords(piece.source, edit.at, edit.remove, edit.insert);
      return words.ok ? ok({ ...piece, source: words.value }) : words;
    }
    case 'setWords':
      if (!isWords(piece)) return misplaced('words', piece);
      return ok({ ...piece, source: { ...piece.source, ...edit.values } });
    case 'setDrawing':
      if (!isDrawing(piece)) return misplaced('drawing', piece);
      return ok({ ...piece, source: { ...piece.source, ...edit.values } });
    case 'setForm':
      if (!isForm(piece)) return misplaced('form', piece);
      return ok({ ...piece, source: { ...piece.source, form: edit.form } });
    case 'setModel':
      if (!isModel(piece)) return misplaced('model', piece);
      return ok({ ...piece, source: { ...piece.source, ...edit.values } });
    case 'setOwn':
      return setOwn(piece, edit.ids, edit.values);
    case 'setSolid':
      return ok({ ...piece, body: { ...piece.body, solid: { ...piece.body.solid, ...edit.values } } });
    case 'setFaces':
      return ok({ ...piece, body: { ...piece.body, faces: { ...piece.body.faces, ...edit.values } } });
    case 'setSteps':
      return ok({ ...piece, steps: [...edit.steps] });
    case 'setPlacement':
      return ok({ ...piece, placement: { ...piece.placement, ...edit.values } });
    case 'setFinish': {
      // a back that gets a finish of its own no longer follows the front
      const isOwn = edit.slots.some((slot) => slot === 'back' || slot === 'backEdge');
      const slots = isOwn ? finishBack(piece.slots, false) : { ...piece.slots };
      for (const slot of edit.slots) slots[slot] = { ...slots[slot], ...edit.values };
      return ok({ ...piece, slots });
    }
    case 'finishBack':
      return ok({ ...piece, slots: finishBack(piece.slots, edit.asFront) });
    case 'setPiece':
      return ok({ ...piece, ...edit.values });
    case 'removePiece':
      return ok(piece);
  }
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
function spliceWords(words: Words, at: number, remove: number, insert: readonly string[]): Result<Words> {
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
