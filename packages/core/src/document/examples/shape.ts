import { remark } from '../../base/index.ts';
import { usualStep } from '../../steps/index.ts';
import { newPiece, newProject } from '../defaults.ts';
import { bigBall, font, ofBody, ofWords, wordsAlone, wordsOnBody, type RemarkExamples } from './scenes.ts';

const recast = (sizeMm: number) => [{ ...usualStep('recast', 'r'), sizeMm }];

/** What is told of steps that shape, cast and reduce. */
export const SHAPE_EXAMPLES = {
  STEP_LEFT_OUT: () =>
    ofWords(wordsAlone('Kiln', { steps: [{ ...usualStep('subdivide', 's'), times: 4 }], faceBudget: 3000 })),
  SHAPE_FOLDS: () =>
    ofWords(wordsAlone('Hi', { steps: [{ ...usualStep('bend', 'b'), angleDegrees: 900, keeps: 'front' }] })),
  SHAPE_TOUCHES: () =>
    ofWords(wordsAlone('Kiln opening ', { steps: [{ ...usualStep('bend', 'b'), angleDegrees: 360 }] })),
  SHAPE_CROSSES: () =>
    ofWords(
      wordsAlone('Hi', { steps: [{ ...usualStep('noise', 'n'), heightMm: 14 }] }),
      remark('SHAPE_CROSSES', { letters: 'H i', stepId: 'n' }),
    ),
  SHAPE_STRAYS: () =>
    ofBody(
      wordsOnBody({
        words: { sizeMm: 20 },
        edits: [
          { kind: 'setFaces', pieceId: 'body', values: { shaped: 'own' } },
          { kind: 'setSteps', pieceId: 'body', steps: [usualStep('bend', 'b')] },
        ],
      }),
    ),
  SHAPE_LOOSER: () =>
    ofBody(
      wordsOnBody({
        words: { sizeMm: 20 },
        edits: [{ kind: 'setSteps', pieceId: 'body', steps: [usualStep('noise', 'n')] }],
        faceBudget: 4000,
      }),
    ),
  SHAPE_COARSE: () =>
    ofBody(wordsOnBody({ form: bigBall, words: { sizeMm: 20 } }), remark('SHAPE_COARSE', { budget: 2_000_000 })),
  LINE_ENDS: () =>
    ofWords(
      wordsAlone('Hill at the row', {
        steps: [{ ...usualStep('run', 'l'), path: { kind: 'ring', radiusMm: 50 }, ends: 'stop' }],
        faces: { toleranceMm: 0.5 },
      }),
    ),
  RUN_NOTHING: () =>
    ofWords(
      wordsAlone('Rim', {
        steps: [{ ...usualStep('run', 'l'), path: { kind: 'edge', target: '', atMm: [0, 0, 0], reversed: false } }],
      }),
    ),
  RECAST_TOO_FINE: () => ofWords(wordsAlone('Kiln', { steps: recast(0.01) })),
  RECAST_VANISHES: () => ofWords(wordsAlone('Kiln', { steps: recast(500) })),
  RECAST_LOSES: () =>
    ofWords(wordsAlone('fi', { words: { sizeMm: 40, font: font('Pacifico', 400) }, steps: recast(4) })),
  REDUCE_SHORT: () => ofWords(wordsAlone('Kiln', { steps: [{ ...usualStep('reduce', 's'), by: 'count', count: 4 }] })),
  PIECES_CROSS: () => {
    const project = newProject('example', 'Row', [
      newPiece('words', 'Kiln', [...'Kiln']),
      newPiece('b', 'Row', [...'Row']),
    ]);
    const told = { name: 'Kiln', other: 'Row', otherId: 'b', acrossMm: 0, upMm: 60 };
    return ofWords(project, remark('PIECES_CROSS', told));
  },
} satisfies Partial<RemarkExamples>;
