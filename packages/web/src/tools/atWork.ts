import type { ShownPiece } from '@fictile/core';
import { useChoice, useMeshes, useOpenParts, useTrials } from '../bench/index.ts';

/** A piece as it is built. */
export function useShown(pieceId: string | undefined): ShownPiece | undefined {
  const { evaluation } = useMeshes();
  return evaluation.pieces.find((p) => p.pieceId === pieceId);
}

/** What hands are on: which chapter's tools are out. Whoever types or carries a piece has both hands full. */
export function useAtWork(): { atWork: ReturnType<typeof useOpenParts>['atWork']; isFree: boolean } {
  const { atWork } = useOpenParts();
  const { typing } = useChoice();
  const { acts } = useTrials();
  return { atWork, isFree: !typing.now && !acts.now };
}
