import { remark } from '../../base/index.ts';
import type { FormShape } from '../schema.ts';
import { bigBall, crate, FRONT, ofBody, smallBall, wordsOnBody, type RemarkExamples } from './scenes.ts';

const slab: FormShape = { ...crate, kind: 'block', widthMm: 80, heightMm: 40, depthMm: 10 } as FormShape;

/** What is told of cuts. */
export const CUT_EXAMPLES = {
  CUT_NOTHING: () => ofBody(wordsOnBody({ words: { sizeMm: 24 }, cut: { target: 'gone' } })),
  CUT_LEFT_OUT: () =>
    ofBody(
      wordsOnBody({
        form: smallBall,
        text: 'GLA',
        words: { sizeMm: 20 },
        onto: { method: 'round' },
        cut: { sinkMm: 25 },
      }),
    ),
  CUT_APART: () =>
    ofBody(
      wordsOnBody({
        onto: null,
        words: { sizeMm: 20 },
        cut: {},
        edits: [{ kind: 'setPlacement', pieceId: 'words', values: { atMm: [140, 0, 0] } }],
      }),
    ),
  CUT_ROUNDS: () => ofBody(wordsOnBody({ words: { sizeMm: 24 }, cut: {} }), remark('CUT_ROUNDS', { stepId: 'cut' })),
  CUT_RAISED_LESS: () =>
    ofBody(
      wordsOnBody({
        text: 'glaze',
        form: slab,
        words: { sizeMm: 16 },
        onto: { place: { ...FRONT, upMm: 16 } },
        cut: { operation: 'imprint', raiseMm: 3, leanPercent: 40 },
      }),
    ),
  CUT_RIM_NARROWED: () =>
    ofBody(
      wordsOnBody({
        text: 'R8',
        form: bigBall,
        words: { sizeMm: 16 },
        onto: { method: 'round' },
        cut: { operation: 'engrave', sinkMm: 1, softMm: 4, softSide: 'inward' },
      }),
    ),
  CUT_RIM_CLIPPED: () => ofBody(wordsOnBody({ text: 'II', words: { sizeMm: 20 }, cut: { sinkMm: 4, softMm: 3 } })),
  CUT_LOOSE: () =>
    ofBody(
      wordsOnBody({
        text: 'O',
        form: slab,
        words: { sizeMm: 28 },
        cut: { operation: 'through' },
        edits: [{ kind: 'setFaces', pieceId: 'words', values: { toleranceMm: 0.02 } }],
      }),
    ),
  CUT_RING: () => ofBody(wordsOnBody({ words: { sizeMm: 20 }, cut: { ringMm: 6 } })),
} satisfies Partial<RemarkExamples>;
