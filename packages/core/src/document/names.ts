import { isDrawing, isWords } from './kinds.ts';
import type { Piece } from './schema.ts';

const LONGEST = 80;

/** A name for something made of a text: one line of it, not too long; "Words" where it has no ink. */
export function nameOf(text: string): string {
  const line = text.replace(/\s+/g, ' ').trim();
  return Array.from(line).slice(0, LONGEST).join('').trim() || 'Words';
}

/** The name that words give to what is made of them, in files too. */
export const wordsName = (graphemes: readonly { text: string }[]): string =>
  nameOf(graphemes.map((g) => g.text).join(''));

/** What a piece is called in files: by its words, or by the name it was given. */
export const pieceName = (piece: Piece): string =>
  isWords(piece) ? wordsName(piece.source.graphemes) : piece.name.trim() || (isDrawing(piece) ? 'Drawing' : 'Body');
