import {
  splitGraphemes,
  spliceBetween,
  type Edge,
  type Edit,
  type Finish,
  type Piece,
  type Placement,
  type Slot,
} from '@fictile/core';
import type { ProjectStore } from '../store/index.ts';

type Values<K extends Edit['kind']> = Extract<Edit, { kind: K }> extends { values: infer V } ? V : never;

/** The edits that the sentences of one piece make. A `key` joins a drag or a burst of typing into one step of undo. */
export interface PieceEdits {
  words(values: Values<'setWords'>, key?: string): void;
  retype(text: string): void;
  solid(values: Values<'setSolid'>, key?: string): void;
  edge(side: 'front' | 'back', values: Partial<Edge>, key?: string): void;
  faces(values: Values<'setFaces'>, key?: string): void;
  finish(slots: readonly Slot[], values: Partial<Finish>, key?: string): void;
  placement(values: Partial<Placement>, key?: string): void;
}

export function pieceEdits(store: ProjectStore, piece: Piece): PieceEdits {
  const pieceId = piece.id;
  const edit = (made: Edit, key?: string): void => store.edit(made, key && `${pieceId} ${key}`);
  const { solid } = piece.body;
  return {
    words: (values, key) => edit({ kind: 'setWords', pieceId, values }, key),
    retype: (text) => {
      const before = piece.source.graphemes.map((g) => g.text);
      edit({ kind: 'spliceWords', pieceId, ...spliceBetween(before, splitGraphemes(text)) }, 'words');
    },
    solid: (values, key) => edit({ kind: 'setSolid', pieceId, values }, key),
    edge: (side, values, key) =>
      edit({ kind: 'setSolid', pieceId, values: { [side]: { ...solid[side], ...values } } }, key && `${side} ${key}`),
    faces: (values, key) => edit({ kind: 'setFaces', pieceId, values }, key),
    finish: (slots, values, key) => edit({ kind: 'setFinish', pieceId, slots, values }, key),
    placement: (values, key) => edit({ kind: 'setPlacement', pieceId, values }, key),
  };
}
