import type { Remark, RemarkCode } from '../base/index.ts';
import type { RecipeChapter } from './recipes.ts';

/** Where a remark stands, and what it asks for. */
interface RemarkKind {
  /** of the recipe */
  chapter: RecipeChapter;
  /** only said; something wants to be done; or what was asked for is not there, however sound the mesh is */
  tone: 'note' | 'warning' | 'missing';
}

const note = (chapter: RecipeChapter): RemarkKind => ({ chapter, tone: 'note' });
const warning = (chapter: RecipeChapter): RemarkKind => ({ chapter, tone: 'warning' });
const missing = (chapter: RecipeChapter): RemarkKind => ({ chapter, tone: 'missing' });

const KINDS: { readonly [C in RemarkCode]: RemarkKind } = {
  TEXT_EMPTY: note('words'),
  GLYPH_MISSING: warning('words'),
  FONT_STOOD_IN: note('words'),
  SMALL_CAPITALS_MISSING: warning('words'),
  CIRCLE_OVERFULL: warning('words'),
  WALL_FILLS: note('words'),
  DRAWING_SKIPPED: note('words'),
  CURVE_OVERFULL: warning('words'),
  LETTERS_APART: note('words'),
  OUTLINE_TOO_LARGE: warning('words'),
  FLAT_SHEET: note('solid'),
  EDGES_SCALED: warning('solid'),
  SIDE_LEFT_STRAIGHT: warning('solid'),
  SECTION_CROSSES: warning('solid'),
  LIGHTER_VANISHES: warning('solid'),
  LIGHTER_BREAKS: warning('solid'),
  ALONG_CROSSES: warning('solid'),
  EDGE_TOO_FINE: warning('solid'),
  EDGE_MEETS: note('solid'),
  EDGE_JITTERED: note('solid'),
  EDGE_OPENED: warning('solid'),
  FACES_PLAIN: warning('faces'),
  EDGE_NARROWED: warning('solid'),
  LETTER_LEFT_OUT: warning('solid'),
  OVER_BUDGET: warning('faces'),
  STEP_LEFT_OUT: missing('steps'),
  SHAPE_FOLDS: warning('steps'),
  SHAPE_TOUCHES: warning('steps'),
  PIECES_CROSS: warning('place'),
  SHAPE_CROSSES: warning('steps'),
  LINE_ENDS: warning('steps'),
  NEED_FINER: warning('faces'),
  NEED_OVER_BUDGET: warning('faces'),
  ONTO_NOTHING: missing('steps'),
  RUN_NOTHING: missing('steps'),
  RECAST_TOO_FINE: missing('steps'),
  RECAST_VANISHES: missing('steps'),
  RECAST_LOSES: warning('steps'),
  REDUCE_SHORT: warning('steps'),
  ONTO_CYCLE: missing('steps'),
  ONTO_MISSES: missing('steps'),
  ONTO_OVERHANGS: warning('steps'),
  ONTO_OVERFULL: warning('steps'),
  ONTO_SINKS: warning('steps'),
  ONTO_FLOATS: warning('steps'),
  ONTO_FOLDS: warning('steps'),
  MODEL_OPEN: warning('words'),
  MODEL_LEFT_OUT: note('words'),
  CUT_NOTHING: missing('steps'),
  CUT_LEFT_OUT: missing('steps'),
  CUT_APART: warning('steps'),
  CUT_ROUNDS: warning('steps'),
  CUT_RAISED_LESS: warning('steps'),
  CUT_RIM_NARROWED: warning('steps'),
  CUT_RIM_CLIPPED: warning('steps'),
  CUT_LOOSE: warning('steps'),
  CUT_RING: warning('steps'),
  SHAPE_STRAYS: warning('steps'),
  ONTO_BORDER: warning('steps'),
  SHAPE_LOOSER: warning('steps'),
  SHAPE_COARSE: warning('steps'),
  TEXT_TOO_LONG: warning('words'),
  LETTERS_CROSS: warning('words'),
  ROUNDING_COLLAPSED: warning('faces'),
};

export const chapterOf = ({ code }: Remark): RecipeChapter => KINDS[code].chapter;

export function toneOf(remark: Remark): RemarkKind['tone'] {
  return remark.code === 'CUT_APART' && remark.params.all ? 'missing' : KINDS[remark.code].tone;
}
