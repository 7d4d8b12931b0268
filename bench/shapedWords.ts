import { newPiece, splitGraphemes, type Project, type Step } from '@fictile/core';
import { madeProject } from './madeProject.ts';

/** Forty letters. */
export const LETTERS = splitGraphemes('Kiln opening weekend at Saltglaze Row 17 pots, mugs')
  .filter((g) => g !== ' ')
  .slice(0, 40);

/** The piece `words` under steps, its faces within a tolerance. */
export function shapedWords(letters: readonly string[], steps: readonly Step[], toleranceMm: number): Project {
  return madeProject(
    'bench',
    [newPiece('words', 'bench', letters)],
    [
      { kind: 'setSteps', pieceId: 'words', steps },
      { kind: 'setFaces', pieceId: 'words', values: { toleranceMm } },
    ],
  );
}
