import { type OtherPiece } from '../../fields/index.ts';
import type { CutStep, OntoStep, Piece, PutWay, ShownPiece } from '@fictile/core';

/** A piece on its way onto a body: seen as it would lie there, but not put yet. */
export interface Putting {
  /** undefined while it is asked for */
  piece: Piece | undefined;
  body: OtherPiece | undefined;
  /** what can be taken for what is asked */
  asks: { for: 'piece' | 'body'; among: readonly OtherPiece[] } | undefined;
  way: PutWay;
  /** of its words, as they would be; undefined of what is no words */
  sizeMm: number | undefined;
  /** as it would be let in */
  cut: CutStep;
  /** as it would be laid */
  onto: OntoStep | undefined;
  /** as it was built last on its way */
  shown: ShownPiece | undefined;
  setWay: (way: PutWay) => void;
  setMethod: (method: OntoStep['method']) => void;
  pickBody: (id: string) => void;
  /** undefined: new words */
  pickPiece: (id: string | undefined) => void;
  addSlab: () => void;
  take: () => void;
  leave: () => void;
}

/** How the act begins, and the one that is going on. */
export interface PutActs {
  now: Putting | undefined;
  /** from the piece that is put, or from the body; what is missing is asked for */
  start: (from: { pieceId?: string; bodyId?: string; way?: PutWay }) => void;
}

/** What is done with how a piece lies; each left out where it makes no sense. */
export interface Laying {
  /** makes words as large as the flat place that they lie on */
  fit?: () => void;
  /** lays them from the direction that the camera looks in */
  fromView?: () => void;
}
