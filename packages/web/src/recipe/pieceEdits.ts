import {
  isWords,
  splitGraphemes,
  spliceEdits,
  type Contour,
  type Drawing,
  type Edge,
  type Edit,
  type Finish,
  type OwnLetter,
  type Piece,
  type Placement,
  type Slot,
} from '@fictile/core';
import type { ProjectStore } from '../store/index.ts';

type Values<K extends Edit['kind']> = Extract<Edit, { kind: K }> extends { values: infer V } ? V : never;

/**
 * The edits that sentences make: on the piece at work, and on those chosen with it. Words and places stay each piece's own. A `key` joins a
 * drag or a burst of typing into one step of undo.
 */
export interface PieceEdits {
  words(values: Values<'setWords'>, key?: string): void;
  drawing(values: Values<'setDrawing'>, key?: string): void;
  /** of words and drawings alike */
  contour(contour: Contour, key?: string): void;
  depthAnchor(depthAnchor: Drawing['depthAnchor']): void;
  retype(text: string): void;
  solid(values: Values<'setSolid'>, key?: string): void;
  edge(side: 'front' | 'back', values: Partial<Edge>, key?: string): void;
  faces(values: Values<'setFaces'>, key?: string): void;
  finish(slots: readonly Slot[], values: Partial<Finish>, key?: string): void;
  finishBack(asFront: boolean): void;
  /** letters of the piece at work; null: nothing special any more */
  own(ids: readonly number[], values: Partial<OwnLetter> | null, key?: string): void;
  placement(values: Partial<Placement>, key?: string): void;
}

/** `isDrag`: keys name drags, which join however long a hand rests. */
export function pieceEdits(store: ProjectStore, pieces: readonly Piece[], { isDrag = false } = {}): PieceEdits {
  const [lead] = pieces;
  const pieceId = lead.id;
  const joined = (key?: string): string | undefined => key && `${pieceId} ${key}`;
  const edit = (made: Edit, key?: string): void => store.edit(made, joined(key), { isDrag });
  const forAll = (make: (piece: Piece) => Edit, key?: string, these = pieces): void =>
    these.length === 1 ? edit(make(these[0]), key) : edit({ kind: 'many', edits: these.map(make) }, key);
  const source = (values: Pick<Values<'setDrawing'>, 'contour' | 'depthAnchor'>, key?: string): void =>
    forAll((piece) => ({ kind: isWords(piece) ? 'setWords' : 'setDrawing', pieceId: piece.id, values }), key);
  return {
    words: (values, key) =>
      forAll(({ id }) => ({ kind: 'setWords', pieceId: id, values }), key, pieces.filter(isWords)),
    drawing: (values, key) => edit({ kind: 'setDrawing', pieceId, values }, key),
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
        key && `${side} ${key}`,
      ),
    faces: (values, key) => forAll(({ id }) => ({ kind: 'setFaces', pieceId: id, values }), key),
    finish: (slots, values, key) => forAll(({ id }) => ({ kind: 'setFinish', pieceId: id, slots, values }), key),
    finishBack: (asFront) => forAll(({ id }) => ({ kind: 'finishBack', pieceId: id, asFront })),
    own: (ids, values, key) => edit({ kind: 'setOwn', pieceId, ids, values }, key),
    placement: (values, key) => edit({ kind: 'setPlacement', pieceId, values }, key),
  };
}
