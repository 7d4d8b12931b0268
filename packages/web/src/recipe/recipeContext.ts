import { createSafeContext } from '@mantine/core';
import type { FreeCurve, Hung, Item, Piece, Placement, RecipeChapter, Remark, ShownPiece } from '@fictile/core';
import type { Pivoting } from '../pivots/index.ts';
import type { EditKey } from '../ui/index.ts';
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
  /** where what is at work stands, and what it goes along with */
  place: PlaceBench;
  /** pieces put on bodies; undefined: there is nothing to press */
  acts: PutActs | undefined;
}

/** The place of the piece or the group at work. */
export interface PlaceBench {
  item: Item;
  /** id of the piece where it stands, instead of a place of its own */
  ground: string | undefined;
  put: (values: Partial<Placement>, key?: EditKey) => void;
  pivoting: Pivoting;
  /** what it may go along with */
  hooks: readonly Item[];
  /** null: with its group alone. It stays where it is */
  hang: (hung: Hung | null) => void;
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
