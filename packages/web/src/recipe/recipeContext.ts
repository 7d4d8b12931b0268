import { createSafeContext } from '@mantine/core';
import type { FreeCurve, Piece, RecipeChapter, Remark, ShownPiece } from '@fictile/core';
import type { PieceEdits } from './pieceEdits.ts';
import type { Laying, PutActs } from './put/putting.ts';
import { type OtherPiece } from '../fields/index.ts';

export type ChapterName = RecipeChapter;

/** What the chapters of a recipe share; which piece they are of, each is told. */
export interface RecipeBench {
  edits: PieceEdits;
  remarks: readonly Remark[];
  work: ChapterWork;
  /** ids of graphemes of the piece at work that were picked on the letters, or of a drawing's colours */
  picked: readonly number[];
  onPick: (ids: readonly number[]) => void;
  /** opens the section to be drawn */
  onSection: () => void;
  /** the first path of a drawing's file */
  readCurve: (file: File) => Promise<FreeCurve | undefined>;
  /** as built; undefined while nothing is */
  shown: ShownPiece | undefined;
  milliseconds: number;
  /** which step is worked on */
  onStep: (id: string) => void;
  /** the other pieces, as they are shown */
  others: readonly OtherPiece[];
  /** what is done with how the piece lies on another one */
  laying: Laying | undefined;
  /** pieces put on bodies; undefined: there is nothing to press */
  acts: PutActs | undefined;
}

/** Which chapter is at work, and what the menu of each does. */
export interface ChapterWork {
  at: ChapterName | undefined;
  set: (chapter: ChapterName) => void;
  copy: (chapter: ChapterName) => void;
  paste: () => void;
}

export interface Of<P extends Piece> {
  piece: P;
}

export const [RecipeContext, useRecipe] = createSafeContext<RecipeBench>('no recipe here');
