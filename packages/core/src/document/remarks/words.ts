import { isWords } from '../kinds.ts';
import { cure } from './cure.ts';
import { note, warning, type RemarkDefinitions } from './definition.ts';

type WordsCode =
  | 'TEXT_EMPTY'
  | 'GLYPH_MISSING'
  | 'FONT_STOOD_IN'
  | 'SMALL_CAPITALS_MISSING'
  | 'CIRCLE_OVERFULL'
  | 'CURVE_OVERFULL'
  | 'WALL_FILLS'
  | 'DRAWING_SKIPPED'
  | 'LETTERS_APART'
  | 'LETTERS_CROSS'
  | 'OUTLINE_TOO_LARGE'
  | 'TEXT_TOO_LONG'
  | 'MODEL_OPEN'
  | 'MODEL_LEFT_OUT';

/** Of words, drawings and models, before anything is built. */
export const WORDS_REMARKS: RemarkDefinitions<WordsCode> = {
  TEXT_EMPTY: note('words'),
  GLYPH_MISSING: warning('words'),
  FONT_STOOD_IN: note('words'),
  SMALL_CAPITALS_MISSING: warning('words'),
  CIRCLE_OVERFULL: warning('words', ({ neededMm: radiusMm }, c) => {
    const { line } = isWords(c.piece) ? c.piece.source : {};
    return line?.kind === 'circle'
      ? cure('RADIUS', { mm: radiusMm }, c.words({ line: { ...line, radiusMm } }))
      : undefined;
  }),
  CURVE_OVERFULL: warning('words'),
  WALL_FILLS: note('words'),
  DRAWING_SKIPPED: note('words'),
  LETTERS_APART: note('words'),
  LETTERS_CROSS: warning('words', (_, c) =>
    isWords(c.piece) ? cure('JOIN_LETTERS', {}, c.words({ letters: 'joined' })) : undefined,
  ),
  OUTLINE_TOO_LARGE: warning('words'),
  TEXT_TOO_LONG: warning('words'),
  MODEL_OPEN: { ...warning('words', (told, c) => c.closed(told)), isOpen: true },
  MODEL_LEFT_OUT: note('words'),
};
