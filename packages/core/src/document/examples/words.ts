import { remark } from '../../base/index.ts';
import { usualCircle, usualCurveLine, usualHollow } from '../defaults.ts';
import { font, ofBody, ofWords, wordsAlone, wordsOnBody, type RemarkExamples } from './scenes.ts';

const script = font('Pacifico', 400);

/** What is told of words, drawings and models before anything is built. */
export const WORDS_EXAMPLES = {
  TEXT_EMPTY: () => ofWords(wordsAlone('Words'), remark('TEXT_EMPTY', {})),
  GLYPH_MISSING: () => ofWords(wordsAlone('GLᏣZE')),
  FONT_STOOD_IN: () => ofWords(wordsAlone('Жар', { words: { font: font('Rye', 400) } })),
  SMALL_CAPITALS_MISSING: () => ofWords(wordsAlone('Kiln', { words: { capitals: 'small', font: script } })),
  CIRCLE_OVERFULL: () =>
    ofWords(wordsAlone('Kiln opening weekend', { words: { line: { ...usualCircle(), radiusMm: 80 } } })),
  CURVE_OVERFULL: () => ofWords(wordsAlone('Kiln opening', { words: { line: usualCurveLine(240) } })),
  WALL_FILLS: () => ofWords(wordsAlone('Il', { words: { contour: { ...usualHollow(), wallMm: 12 } } })),
  DRAWING_SKIPPED: () => ofWords(wordsAlone('Mark'), remark('DRAWING_SKIPPED', { what: 'text', count: 1 })),
  LETTERS_APART: () =>
    ofWords(
      wordsAlone('kiln', {
        words: { font: script },
        own: { 2: { solid: { ...{ depthMm: 40 }, front: wordsAlone('i').pieces.words.body.solid.front } } },
      }),
    ),
  LETTERS_CROSS: () => ofWords(wordsAlone('kiln', { words: { font: script, letters: 'apart' } })),
  OUTLINE_TOO_LARGE: () => ofWords(wordsAlone('Row'), remark('OUTLINE_TOO_LARGE', { letters: 'R', limit: 50_000 })),
  TEXT_TOO_LONG: () => ofWords(wordsAlone('and so on'), remark('TEXT_TOO_LONG', { characters: 12_000, limit: 10_000 })),
  MODEL_OPEN: () =>
    ofBody(
      wordsOnBody({ words: { sizeMm: 20 } }),
      remark('MODEL_OPEN', { openEdges: 4, badEdges: 0, isClosed: false }),
    ),
  MODEL_LEFT_OUT: () =>
    ofBody(wordsOnBody({ words: { sizeMm: 20 } }), remark('MODEL_LEFT_OUT', { pictures: 1, levels: 2 })),
} satisfies Partial<RemarkExamples>;
