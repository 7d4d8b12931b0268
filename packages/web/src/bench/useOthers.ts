import { isLettering, type Piece, type Project, type ShownPiece } from '@fictile/core';
import { useMemo } from 'react';
import type { OtherPiece } from '../fields/index.ts';
import type { Evaluation } from './useEvaluation.ts';

/** A piece as others see it. */
export const otherOf = (piece: Piece, shown: ShownPiece | undefined): OtherPiece => ({
  ...{ id: piece.id, name: piece.name, isBody: !isLettering(piece), kind: piece.source.kind, steps: piece.steps },
  ...{ flat: shown?.flat, onto: shown?.onto },
});

/** The pieces besides the one at work, as they are shown. */
export function useOthers(project: Project, { pieces }: Evaluation, lead: string | undefined): OtherPiece[] {
  return useMemo(
    () =>
      project.pieceOrder.flatMap((id) => {
        const piece = project.pieces[id];
        const shown = pieces.find((p) => p.pieceId === id);
        return id === lead ? [] : [otherOf(piece, shown)];
      }),
    [project, pieces, lead],
  );
}
