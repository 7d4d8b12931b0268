import { applyEdit, newPiece, newProject, splitGraphemes, unwrap, type Project, type Step } from '@fictile/core';

/** Forty letters. */
export const LETTERS = splitGraphemes('Kiln opening weekend at Saltglaze Row 17 pots, mugs')
  .filter((g) => g !== ' ')
  .slice(0, 40);

/** The piece `words` under steps, its faces within a tolerance. */
export function shapedWords(letters: readonly string[], steps: readonly Step[], toleranceMm: number): Project {
  const made = newProject('bench', 'bench', [newPiece('words', 'bench', letters)]);
  return unwrap(
    applyEdit(made, {
      kind: 'many',
      edits: [
        { kind: 'setSteps', pieceId: 'words', steps },
        { kind: 'setFaces', pieceId: 'words', values: { toleranceMm } },
      ],
    }),
  );
}
