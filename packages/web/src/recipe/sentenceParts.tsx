import {
  newPiece,
  type DrawingPiece,
  type Field,
  type FreeCurve,
  type LetteringPiece,
  type Piece,
  type Remark,
  type WordsPiece,
} from '@fictile/core';
import { NumberValue, shownAs, type NumberValueProps } from '../ui/index.ts';
import type { ChapterName } from './Told.tsx';
import type { PieceEdits } from './pieceEdits.ts';

/** What every chapter gets. */
export interface ChapterProps {
  piece: Piece;
  edits: PieceEdits;
  remarks: readonly Remark[];
  work: ChapterWork;
  /** ids of the graphemes that were picked on the letters, or of a drawing's colours */
  picked: readonly number[];
  onPick: (ids: readonly number[]) => void;
  /** opens the section to be drawn */
  onSection: () => void;
  /** the first path of a drawing's file */
  readCurve: (file: File) => Promise<FreeCurve | undefined>;
}

/** Of what grows from outlines. */
export type LetteringProps = Omit<ChapterProps, 'piece'> & { piece: LetteringPiece };
export type WordsProps = Omit<ChapterProps, 'piece'> & { piece: WordsPiece };
export type DrawingProps = Omit<ChapterProps, 'piece'> & { piece: DrawingPiece };

/** Which chapter is at work, and what the menu of each does. */
export interface ChapterWork {
  at: ChapterName | undefined;
  set: (chapter: ChapterName) => void;
  copy: (chapter: ChapterName) => void;
  paste: () => void;
}

export const USUAL = newPiece('usual', '', []);

type Take = (value: number, key: string | undefined) => void;

/** What its control has to say of itself besides what its field does. */
type Said = Pick<NumberValueProps, 'label' | 'value'> & Partial<Pick<NumberValueProps, 'unit' | 'usual' | 'zero'>>;

/** A number of a field whose drags and arrow keys join under a name. */
export function number(name: string, field: Field, said: Said, { take }: { take: Take }) {
  return (
    <NumberValue {...shownAs(field)} {...said} onChange={(value, isDrag) => take(value, isDrag ? name : undefined)} />
  );
}
