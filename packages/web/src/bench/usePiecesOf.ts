import { pieceIdsOf, type Item, type Project, type ShownPiece } from '@fictile/core';
import { useMemo } from 'react';

/** The pieces that a piece or a group comes to, as they are built; the same list as long as they are. */
export function usePiecesOf(
  project: Project,
  item: Item | undefined,
  pieces: readonly ShownPiece[],
): readonly ShownPiece[] {
  const inside = item ? pieceIdsOf(project, item).join(' ') : '';
  return useMemo(() => {
    const ids = new Set(inside.split(' '));
    return pieces.filter(({ pieceId }) => ids.has(pieceId));
  }, [inside, pieces]);
}
