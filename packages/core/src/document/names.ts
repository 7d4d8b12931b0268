import { isDrawing, isWords } from './kinds.ts';
import type { Piece } from './schema.ts';

const LONGEST = 80;

type Texts = readonly { text: string }[];

/** A name for something made of a text: one line of it, not too long; "Words" where it has no ink. */
export function nameOf(text: string): string {
  const line = text.replace(/\s+/g, ' ').trim();
  return Array.from(line).slice(0, LONGEST).join('').trim() || 'Words';
}

/** The name that words give to what is made of them, in files too. */
export const wordsName = (graphemes: Texts): string => nameOf(graphemes.map((g) => g.text).join(''));

/** What a piece is called in files: by its words, or by the name it was given. */
export const pieceName = (piece: Piece): string =>
  isWords(piece) ? wordsName(piece.source.graphemes) : piece.name.trim() || (isDrawing(piece) ? 'Drawing' : 'Body');

/**
 * A name goes along with the words until somebody gives another: as long as it is that of the old words, with a number
 * behind it where there are several.
 */
export function namedAfter(name: string, before: Texts, after: Texts): string {
  const old = wordsName(before);
  if (name !== old && !(name.startsWith(`${old} `) && /^ \d+$/.test(name.slice(old.length)))) return name;
  return wordsName(after);
}
