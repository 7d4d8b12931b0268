import { isWords, type Piece, type Words } from '@fictile/core';

/** The words of a piece that has some. */
export function wordsOf(piece: Piece): Words {
  if (!isWords(piece)) throw new Error(`${piece.name} has no words`);
  return piece.source;
}
