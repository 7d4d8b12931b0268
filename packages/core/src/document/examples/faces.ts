import { remark } from '../../base/index.ts';
import { usualStep } from '../../steps/index.ts';
import { font, ofWords, wordsAlone, type RemarkExamples } from './scenes.ts';

/** What is told of how faces are cut. */
export const FACES_EXAMPLES = {
  FACES_PLAIN: () =>
    ofWords(wordsAlone('®', { words: { font: font('Zilla Slab', 400) }, faces: { style: 'flow', sizeMm: 0 } })),
  OVER_BUDGET: () => ofWords(wordsAlone('Saltglaze'), remark('OVER_BUDGET', { faces: 3_200_000, budget: 2_000_000 })),
  NEED_FINER: () =>
    ofWords(
      wordsAlone('Hill', {
        faces: { style: 'grid', sizeMm: 30, toleranceMm: 1 },
        steps: [{ ...usualStep('bend', 'b'), angleDegrees: 160 }],
      }),
    ),
  NEED_OVER_BUDGET: () =>
    ofWords(wordsAlone('Hi', { steps: [{ ...usualStep('wave', 'w'), heightMm: 8, lengthMm: 12 }], faceBudget: 3000 })),
  ROUNDING_COLLAPSED: () => ofWords(wordsAlone('Row'), remark('ROUNDING_COLLAPSED', { faces: 7 })),
} satisfies Partial<RemarkExamples>;
