import {
  cureOf,
  isLettering,
  isWords,
  splitGraphemes,
  spliceEdits,
  type Contour,
  type Cure,
  type Drawing,
  type Edge,
  type Edit,
  type Finish,
  type FormShape,
  type OwnLetter,
  type Piece,
  type Placement,
  type Remark,
  type Slot,
  type Step,
} from '@fictile/core';
import type { ProjectStore } from '../store/index.ts';
import type { EditKey } from '../ui/index.ts';

type EditValues<K extends Edit['kind']> = Extract<Edit, { kind: K }> extends { values: infer V } ? V : never;

/**
 * The edits that sentences make: on the piece at work, and on those chosen with it. Words and places stay each piece's
 * own. A `key` joins a drag or a burst of typing into one step of undo.
 */
export interface PieceEdits {
  words(values: EditValues<'setWords'>, key?: EditKey): void;
  drawing(values: EditValues<'setDrawing'>, key?: EditKey): void;
  form(form: FormShape, key?: EditKey): void;
  model(values: EditValues<'setModel'>, key?: EditKey): void;
  /** of words and drawings alike */
  contour(contour: Contour, key?: EditKey): void;
  depthAnchor(depthAnchor: Drawing['depthAnchor']): void;
  retype(text: string): void;
  solid(values: EditValues<'setSolid'>, key?: EditKey): void;
  edge(side: 'front' | 'back', values: Partial<Edge>, key?: EditKey): void;
  faces(values: EditValues<'setFaces'>, key?: EditKey): void;
  /** of the piece at work alone: what is done to a mesh depends on that mesh */
  steps(steps: readonly Step[], key?: EditKey): void;
  /** of several pieces at once: what cuts another is edited from both sides */
  stepsOf(rows: readonly { pieceId: string; steps: readonly Step[] }[], key?: EditKey): void;
  /** several at once */
  all(edits: readonly Edit[]): void;
  /** what one press can do about a remark of the piece at work */
  cure(remark: Remark): Cure | undefined;
  finish(slots: readonly Slot[], values: Partial<Finish>, key?: EditKey): void;
  finishBack(asFront: boolean): void;
  /** letters of the piece at work; null: nothing special any more */
  own(ids: readonly number[], values: Partial<OwnLetter> | null, key?: EditKey): void;
  placement(values: Partial<Placement>, key?: EditKey): void;
  /** what a trial did to all of them */
  takeBack(key: { drag: string }): void;
}

export function pieceEdits(store: ProjectStore, pieces: readonly Piece[]): PieceEdits {
  const [lead] = pieces;
  const pieceId = lead.id;
  const edit = (made: Edit, key?: EditKey): void => {
    const isDrag = typeof key === 'object';
    const name = isDrag ? key.drag : key;
    store.edit(made, name && `${pieceId} ${name}`, { isDrag });
  };
  const forAll = (make: (piece: Piece) => Edit, key?: EditKey, these = pieces): void =>
    these.length === 1 ? edit(make(these[0]), key) : edit({ kind: 'many', edits: these.map(make) }, key);
  const source = (values: Pick<EditValues<'setDrawing'>, 'contour' | 'depthAnchor'>, key?: EditKey): void =>
    forAll(
      (piece) => ({ kind: isWords(piece) ? 'setWords' : 'setDrawing', pieceId: piece.id, values }),
      key,
      pieces.filter(isLettering),
    );
  return {
    words: (values, key) =>
      forAll(({ id }) => ({ kind: 'setWords', pieceId: id, values }), key, pieces.filter(isWords)),
    drawing: (values, key) => edit({ kind: 'setDrawing', pieceId, values }, key),
    form: (form, key) => edit({ kind: 'setForm', pieceId, form }, key),
    model: (values, key) => edit({ kind: 'setModel', pieceId, values }, key),
    contour: (contour, key) => source({ contour }, key),
    depthAnchor: (depthAnchor) => source({ depthAnchor }),
    retype: (text) => {
      if (!isWords(lead)) return;
      const before = lead.source.graphemes.map((g) => g.text);
      const edits = spliceEdits(pieceId, before, splitGraphemes(text));
      edit(edits.length === 1 ? edits[0] : { kind: 'many', edits }, 'words');
    },
    solid: (values, key) => forAll(({ id }) => ({ kind: 'setSolid', pieceId: id, values }), key),
    edge: (side, values, key) =>
      forAll(
        ({ id, body }) => ({ kind: 'setSolid', pieceId: id, values: { [side]: { ...body.solid[side], ...values } } }),
        typeof key === 'string' ? `${side} ${key}` : key,
      ),
    faces: (values, key) => forAll(({ id }) => ({ kind: 'setFaces', pieceId: id, values }), key),
    steps: (steps, key) => edit({ kind: 'setSteps', pieceId, steps }, key),
    stepsOf: (rows, key) => {
      const made = rows.map((row): Edit => ({ kind: 'setSteps', ...row }));
      edit(made.length === 1 ? made[0] : { kind: 'many', edits: made }, key);
    },
    all: (edits) => edit(edits.length === 1 ? edits[0] : { kind: 'many', edits }),
    cure: (remark) => cureOf(remark, lead, { pieces: store.project.pieces, freshId: crypto.randomUUID() }),
    finish: (slots, values, key) => forAll(({ id }) => ({ kind: 'setFinish', pieceId: id, slots, values }), key),
    finishBack: (asFront) => forAll(({ id }) => ({ kind: 'finishBack', pieceId: id, asFront })),
    own: (ids, values, key) => edit({ kind: 'setOwn', pieceId, ids, values }, key),
    placement: (values, key) => edit({ kind: 'setPlacement', pieceId, values }, key),
    takeBack: ({ drag }) => store.takeBack(`${pieceId} ${drag}`),
  };
}
