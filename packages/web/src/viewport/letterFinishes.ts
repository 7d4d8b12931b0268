import { ownOf, type Finish, type Piece, type ShownCluster, type ShownPiece } from '@fictile/core';

/** How letters that have cut others look where not as their piece: by the ids of their pieces and their own. */
export const finishesOf =
  (pieces: Readonly<Record<string, Pick<Piece, 'source'>>>) =>
  (pieceId: string, letter: number): Finish | undefined =>
    (pieces[pieceId] && ownOf(pieces[pieceId])[letter]?.finish) ?? undefined;

/** How the letters of a cluster look where not as their piece. A cluster of one letter is that letter as a whole. */
export function letterFinishes(
  piece: Pick<Piece, 'source'>,
  { letters }: Pick<ShownPiece, 'letters'>,
  cluster: Pick<ShownCluster, 'letters'>,
): (letter: number) => Finish | undefined {
  const own = ownOf(piece);
  const numbers = cluster.letters;
  const finishes = numbers.map((i) => own[letters[i]?.id]?.finish ?? undefined);
  return (letter) => finishes[numbers.length === 1 ? 0 : letter];
}
