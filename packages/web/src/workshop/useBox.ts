import { standAlone, type Box3, type Project, type ShownPiece } from '@fictile/core';
import { useMemo } from 'react';
import { boundsOf, type GeometryShelf } from '../viewport/index.ts';

/** Around what is seen: what only cuts others takes no room, unless nothing else is there. */
export function useBox(project: Project, pieces: readonly ShownPiece[], shelf: GeometryShelf): Box3 {
  return useMemo(() => {
    const alone = new Set(standAlone(project));
    const seen = pieces.filter(({ pieceId }) => alone.has(pieceId));
    return boundsOf(seen.length > 0 ? seen : pieces, shelf);
  }, [project, pieces, shelf]);
}
