import { usualStep } from '../../steps/index.ts';
import type { FormShape } from '../schema.ts';
import { bigBall, FRONT, ofWords, smallBall, wordsOnBody, type RemarkExamples } from './scenes.ts';

const round = { method: 'round' } as const;
const hollow: FormShape = { kind: 'shell', widthMm: 240, heightMm: 200, thickMm: 10, acrossMm: -40, upMm: 0 };

/** What is told of what lies on another piece. */
export const LAID_EXAMPLES = {
  ONTO_NOTHING: () => ofWords(wordsOnBody({ words: { sizeMm: 24 }, onto: { target: 'gone' } })),
  ONTO_CYCLE: () =>
    ofWords(
      wordsOnBody({
        words: { sizeMm: 24 },
        edits: [{ kind: 'setSteps', pieceId: 'body', steps: [{ ...usualStep('onto', 'back'), target: 'words' }] }],
      }),
    ),
  HUNG_LETTER_GONE: () => ({
    pieceId: 'body',
    project: wordsOnBody({
      form: smallBall,
      onto: null,
      edits: [
        { kind: 'hang', items: ['body'], hung: { on: 'words', letter: 3 } },
        { kind: 'spliceWords', pieceId: 'words', at: 2, remove: 1, insert: [] },
      ],
    }),
  }),
  ONTO_MISSES: () =>
    ofWords(
      wordsOnBody({
        words: { sizeMm: 20 },
        onto: { ...round, place: { kind: 'pressed' }, fromMm: [500, 0, 300] },
      }),
    ),
  ONTO_OVERHANGS: () => ofWords(wordsOnBody({ words: { sizeMm: 72 }, onto: { ...round, overhang: 'straight' } })),
  ONTO_OVERFULL: () => ofWords(wordsOnBody({ form: smallBall, text: 'GLAZE', words: { sizeMm: 60 }, onto: round })),
  ONTO_SINKS: () => ofWords(wordsOnBody({ form: hollow, words: { sizeMm: 20 }, solid: { depthMm: 1 } })),
  ONTO_FLOATS: () => ofWords(wordsOnBody({ form: bigBall, words: { sizeMm: 32 } })),
  ONTO_FOLDS: () => ofWords(wordsOnBody({ form: smallBall, text: 'IL', words: { sizeMm: 64 }, onto: round })),
  ONTO_BORDER: () => ofWords(wordsOnBody({ words: { sizeMm: 28 }, onto: { place: { ...FRONT, acrossMm: 30 } } })),
} satisfies Partial<RemarkExamples>;
