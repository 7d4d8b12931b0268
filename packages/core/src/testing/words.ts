import { isWords, type Project, type Words } from '../document/index.ts';

/** The words of a piece that has some. */
export function wordsIn(project: Project, pieceId: string): Words {
  const piece = project.pieces[pieceId];
  if (!isWords(piece)) throw new Error(`${pieceId} has no words`);
  return piece.source;
}
