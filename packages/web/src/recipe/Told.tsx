import { UnstyledButton } from '@mantine/core';
import type { RecipeChapter, Remark, RemarkCode } from '@fictile/core';
import { cureText, remarkText } from '../words/index.ts';
import type { PieceEdits } from './pieceEdits.ts';
import classes from './Recipe.module.css';

export type ChapterName = RecipeChapter;

/** Under which chapter a remark stands. */
const CHAPTER_OF: Readonly<Record<RemarkCode, ChapterName>> = {
  TEXT_EMPTY: 'words',
  GLYPH_MISSING: 'words',
  FONT_STOOD_IN: 'words',
  SMALL_CAPITALS_MISSING: 'words',
  CIRCLE_OVERFULL: 'words',
  WALL_FILLS: 'words',
  DRAWING_SKIPPED: 'words',
  CURVE_OVERFULL: 'words',
  LETTERS_APART: 'words',
  OUTLINE_TOO_LARGE: 'words',
  TEXT_TOO_LONG: 'words',
  LETTERS_CROSS: 'words',
  FLAT_SHEET: 'solid',
  EDGES_SCALED: 'solid',
  SIDE_LEFT_STRAIGHT: 'solid',
  SECTION_CROSSES: 'solid',
  LIGHTER_VANISHES: 'solid',
  LIGHTER_BREAKS: 'solid',
  ALONG_CROSSES: 'solid',
  EDGE_TOO_FINE: 'solid',
  EDGE_MEETS: 'solid',
  EDGE_JITTERED: 'solid',
  EDGE_OPENED: 'solid',
  EDGE_NARROWED: 'solid',
  LETTER_LEFT_OUT: 'solid',
  FACES_PLAIN: 'faces',
  OVER_BUDGET: 'faces',
  STEP_LEFT_OUT: 'steps',
  SHAPE_FOLDS: 'steps',
  SHAPE_TOUCHES: 'steps',
  SHAPE_CROSSES: 'steps',
  PIECES_CROSS: 'place',
  LINE_ENDS: 'steps',
  SHAPE_COARSE: 'steps',
  SHAPE_LOOSER: 'steps',
  SHAPE_STRAYS: 'steps',
  ONTO_BORDER: 'steps',
  CUT_NOTHING: 'steps',
  CUT_LEFT_OUT: 'steps',
  CUT_APART: 'steps',
  CUT_LOOSE: 'steps',
  CUT_RING: 'steps',
  CUT_ROUNDS: 'steps',
  CUT_RIM_CLIPPED: 'steps',
  CUT_RIM_NARROWED: 'steps',
  CUT_RAISED_LESS: 'steps',
  ONTO_NOTHING: 'steps',
  RUN_NOTHING: 'steps',
  RECAST_TOO_FINE: 'steps',
  RECAST_VANISHES: 'steps',
  RECAST_LOSES: 'steps',
  REDUCE_SHORT: 'steps',
  ONTO_CYCLE: 'steps',
  ONTO_MISSES: 'steps',
  ONTO_OVERHANGS: 'steps',
  ONTO_OVERFULL: 'steps',
  ONTO_SINKS: 'steps',
  ONTO_FLOATS: 'steps',
  ONTO_FOLDS: 'steps',
  MODEL_OPEN: 'words',
  MODEL_LEFT_OUT: 'words',
  NEED_FINER: 'faces',
  NEED_OVER_BUDGET: 'faces',
  ROUNDING_COLLAPSED: 'faces',
};
/** What is only said, as against what wants something done. */
const NOTES: ReadonlySet<RemarkCode> = new Set([
  'TEXT_EMPTY',
  'FONT_STOOD_IN',
  'WALL_FILLS',
  'DRAWING_SKIPPED',
  'MODEL_LEFT_OUT',
  'LETTERS_APART',
  'FLAT_SHEET',
  'EDGE_MEETS',
  'EDGE_JITTERED',
]);

interface ToldProps {
  chapter: ChapterName;
  remarks: readonly Remark[];
  edits: PieceEdits;
}

/** What has to be told of a chapter, with the cure as a button where there is one. */
export function Told({ chapter, remarks, edits }: ToldProps) {
  const here = remarks.filter((remark) => CHAPTER_OF[remark.code] === chapter);
  return here.map((remark, i) => {
    const cure = edits.cure(remark);
    return (
      <div
        key={`${remark.code} ${i}`}
        className={classes.remark}
        data-tone={NOTES.has(remark.code) ? 'note' : 'warning'}
      >
        <span>{remarkText(remark)}</span>
        {cure && (
          <UnstyledButton className={classes.cure} onClick={() => edits.all(cure.edits)}>
            {cureText(cure)}
          </UnstyledButton>
        )}
      </div>
    );
  });
}
