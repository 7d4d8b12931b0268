import type { ErrorParams, RemarkParams } from '../base/index.ts';

// One of everything that can be told, with values that no sentence can do without.

const stepId = 'step';
const letters = 'K I L N';

export const REMARKS: { readonly [C in keyof RemarkParams]: RemarkParams[C] } = {
  TEXT_EMPTY: {},
  GLYPH_MISSING: { characters: 'ꙮ', font: 'Rye' },
  FONT_STOOD_IN: { characters: 'ж', font: 'Rye' },
  SMALL_CAPITALS_MISSING: { font: 'Rye' },
  CIRCLE_OVERFULL: { neededMm: 87 },
  WALL_FILLS: { letters },
  DRAWING_SKIPPED: { what: 'gradient', count: 3 },
  CURVE_OVERFULL: { byMm: 12.5 },
  LETTERS_APART: { letters },
  OUTLINE_TOO_LARGE: { letters, limit: 50_000 },
  FLAT_SHEET: {},
  EDGES_SCALED: { askedMm: 12, takenMm: 8 },
  SIDE_LEFT_STRAIGHT: { roomMm: 0.3 },
  SECTION_CROSSES: { inMm: 1.2, downMm: 3.4, instead: 'side' },
  LIGHTER_VANISHES: { letters },
  LIGHTER_BREAKS: { letters },
  ALONG_CROSSES: { letters, finerMm: 0.01 },
  EDGE_TOO_FINE: { leastMm: 0.4 },
  EDGE_MEETS: { letters },
  EDGE_JITTERED: { letters, byMm: 0.002 },
  EDGE_OPENED: { letters, byMm: 0.003 },
  FACES_PLAIN: { letters },
  EDGE_NARROWED: { letters, askedMm: 4, takenMm: 2.5 },
  LETTER_LEFT_OUT: { letters },
  OVER_BUDGET: { faces: 3_000_000, budget: 2_000_000 },
  STEP_LEFT_OUT: { step: 'subdivide', faces: 3_000_000, budget: 2_000_000 },
  SHAPE_FOLDS: { stepId, step: 'bend', xMm: 1, yMm: 2, zMm: 3, limit: 41.5 },
  SHAPE_TOUCHES: { stepId, limit: -359 },
  PIECES_CROSS: { name: 'Kiln', other: 'Slab', otherId: 'b', acrossMm: 3, upMm: 0 },
  SHAPE_CROSSES: { letters, finerMm: 0.01 },
  LINE_ENDS: { letters },
  NEED_FINER: { haveMm: 8, needMm: 3 },
  NEED_OVER_BUDGET: { haveMm: 8, needMm: 3, budget: 2_000_000 },
  ONTO_NOTHING: { stepId },
  RUN_NOTHING: { stepId },
  RECAST_TOO_FINE: { places: 400e6, limit: 200e6, leastMm: 0.7 },
  RECAST_VANISHES: { letters },
  RECAST_LOSES: { stepId, what: 'gone', letters, xMm: 1, yMm: 2, zMm: 3, finerMm: 0.5 },
  REDUCE_SHORT: { stepId, asked: 7000, left: 13_672, percent: 34.5 },
  ONTO_CYCLE: { stepId, pieces: 'Kiln, Slab' },
  HUNG_LETTER_GONE: { itemId: 'b', on: 'a' },
  ONTO_MISSES: { stepId },
  ONTO_OVERHANGS: { stepId, letters, instead: 'straight', sizePercent: 61 },
  ONTO_OVERFULL: { stepId, sizePercent: 79 },
  ONTO_SINKS: { stepId, letters, byMm: 1.5, better: 'lift' },
  ONTO_FLOATS: { stepId, letters, byMm: 1.5, better: 'round' },
  ONTO_FOLDS: { stepId, letters, percent: 31, sizePercent: 44 },
  ONTO_BORDER: { stepId, letters, sizePercent: 72 },
  MODEL_OPEN: { openEdges: 12, badEdges: 3, isClosed: false },
  MODEL_LEFT_OUT: { pictures: 2, levels: 1 },
  CUT_NOTHING: { stepId },
  CUT_LEFT_OUT: { stepId, why: 'crossed' },
  CUT_APART: { stepId, letters, all: false },
  CUT_ROUNDS: { stepId },
  CUT_RAISED_LESS: { stepId, askedMm: 3, takenMm: 2, leanPercent: 0 },
  CUT_RIM_NARROWED: { stepId, askedMm: 4, takenMm: 1.2 },
  CUT_RIM_CLIPPED: { stepId, by: 'neighbours', letters, fitsMm: 0.8 },
  CUT_LOOSE: { stepId, parts: 2, kept: true },
  CUT_RING: { stepId, edges: 80, quads: 40 },
  SHAPE_STRAYS: { stepId, byMm: 0.7 },
  SHAPE_COARSE: { budget: 20_600 },
  SHAPE_LOOSER: { askedMm: 0.05, takenMm: 0.1, faces: 250_000, fewMm: 0.2 },
  TEXT_TOO_LONG: { characters: 12_000, limit: 10_000 },
  LETTERS_CROSS: { letters },
  ROUNDING_COLLAPSED: { faces: 7 },
};

export const FAILURES: { readonly [C in keyof ErrorParams]: ErrorParams[C] } = {
  FONT_BROKEN: { name: 'Rye', why: 'tables' },
  FONT_PACKED: { name: 'Rye', format: 'woff2' },
  FONT_UNKNOWN: { name: 'Rye' },
  VALUE_OUT_OF_RANGE: { field: 'size', value: '1e9', min: 0.1, max: 10_000, unit: 'mm' },
  PROJECT_BROKEN: { path: 'pieces.a.source', why: 'it is of no kind that is known' },
  PROJECT_NEWER: { version: 99, known: 18 },
  SECTION_BROKEN: { path: 'points.0.in', why: 'it is more than 2' },
  MESH_BROKEN: { format: 'obj', place: 12, why: 'face' },
  MODEL_UNKNOWN: { hash: 'a'.repeat(64) },
  DRAWING_BROKEN: { line: 4, why: 'xml' },
  DRAWING_EMPTY: { skipped: 'text' },
  TOO_LARGE: { what: 'words', size: 12_000, limit: 10_000 },
  EDIT_MISPLACED: { what: 'piece', id: 'a' },
  PIECE_LOCKED: { name: 'Kiln' },
  GOES_IN_CIRCLE: { name: 'Kiln' },
  PIECE_BROKE: {},
  CANCELLED: {},
};

/** What any sentence has to be: something, with every value in it, ended, and with nothing of ours in it. */
export function sentenceFaults(text: string, params: Readonly<Record<string, unknown>>): string[] {
  const faults: string[] = [];
  if (text.length < 12) faults.push('says nothing');
  if (/undefined|null|NaN|\[object|\{|\}/.test(text)) faults.push('has a hole');
  if (/\b(?!FICTILE_)[A-Z]{3,}_[A-Z]/.test(text)) faults.push('has a code in it');
  if (/ {2}|\.\.|,\.| \./.test(text)) faults.push('is ill set');
  for (const key of ['letters', 'characters', 'font', 'pieces'])
    if (typeof params[key] === 'string' && !text.includes(params[key])) faults.push(`leaves out ${key}`);
  return faults;
}
