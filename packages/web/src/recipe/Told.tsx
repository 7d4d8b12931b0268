import { UnstyledButton } from '@mantine/core';
import {
  ontoStepOf,
  usualStep,
  withStrength,
  type Piece,
  type RecipeChapter,
  type Remark,
  type RemarkCode,
  type RemarkParams,
  type Step,
} from '@fictile/core';
import { canClose, cureText, remarkText } from '../words/index.ts';
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
  CUT_NOTHING: 'steps',
  CUT_LEFT_OUT: 'steps',
  CUT_APART: 'steps',
  CUT_LOOSE: 'steps',
  CUT_RING: 'steps',
  CUT_ROUNDS: 'steps',
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

/** Finer curves for all faces of the piece. */
const finerCurves = (toleranceMm: number | undefined): Cure | undefined =>
  toleranceMm === undefined ? undefined : (edits) => edits.faces({ toleranceMm });

const MOST_BANDS = 1000;

/** As many more bands as edges are too long; where that is too many, edges are cut as the shape needs them. */
function finerBands(
  { bands }: Piece['body']['faces'],
  { haveMm, needMm }: RemarkParams['NEED_FINER'],
): Partial<Piece['body']['faces']> {
  const more = Math.ceil((bands * haveMm) / needMm);
  return more <= MOST_BANDS ? { bands: more } : { style: 'plain' };
}

/** Other values for one step. */
const withStep =
  (id: string, values: Readonly<Record<string, unknown>>): Cure =>
  (edits, { steps }) =>
    edits.steps(steps.map((step) => (step.id === id ? ({ ...step, ...values } as Step) : step)));

type Cure = (edits: PieceEdits, piece: Piece) => void;

/** What one press can do about it. */
function cureOf(remark: Remark): Cure | undefined {
  switch (remark.code) {
    case 'EDGES_SCALED':
      return (edits) => edits.solid({ depthMm: Math.ceil(remark.params.askedMm) });
    case 'LETTERS_CROSS':
      return (edits) => edits.words({ letters: 'joined' });
    case 'CIRCLE_OVERFULL':
      return (edits, { source }) =>
        source.kind === 'words' &&
        source.line.kind === 'circle' &&
        edits.words({ line: { ...source.line, radiusMm: remark.params.neededMm } });
    case 'OVER_BUDGET':
      // whatever makes the faces small
      return (edits, { body: { faces } }) =>
        edits.faces(
          faces.sizeMm > 0
            ? { sizeMm: Math.min(10_000, faces.sizeMm * 4) }
            : { toleranceMm: Math.min(10, faces.toleranceMm * 4) },
        );
    case 'MODEL_OPEN': {
      const { joinMm: withinMm } = remark.params;
      if (withinMm !== undefined)
        return (edits, { steps }) =>
          edits.steps([{ ...usualStep('join', crypto.randomUUID()), withinMm } as Step, ...steps]);
      return canClose(remark.params) ? (edits) => edits.model({ closed: true }) : undefined;
    }
    case 'CUT_LOOSE':
      return remark.params.kept ? withStep(remark.params.stepId, { loose: 'drop' }) : undefined;
    case 'CUT_RIM_NARROWED':
      return withStep(remark.params.stepId, { softMm: justUnder(remark.params.takenMm) });
    case 'CUT_RAISED_LESS': {
      const { stepId, takenMm, leanPercent } = remark.params;
      return withStep(stepId, { raiseMm: justUnder(takenMm), leanPercent: justUnder(leanPercent) });
    }
    case 'ONTO_OVERHANGS':
      if (remark.params.instead !== 'straight') return undefined;
      // the one that lays it: others are off, or come after it
      return (edits, piece) =>
        edits.steps(
          piece.steps.map((step) => (step === ontoStepOf(piece) ? ({ ...step, overhang: 'leave' } as Step) : step)),
        );
    case 'NEED_FINER':
      return (edits, { body: { faces } }) =>
        edits.faces(faces.style === 'bands' ? finerBands(faces, remark.params) : { sizeMm: 0 });
    case 'RECAST_LOSES': {
      const { stepId, finerMm: sizeMm } = remark.params;
      return sizeMm === undefined ? undefined : withStep(stepId, { sizeMm });
    }
    case 'REDUCE_SHORT': {
      const { stepId, left: count, percent } = remark.params;
      return withStep(stepId, { count, sharePercent: Math.min(100, Math.ceil(10 * percent) / 10) });
    }
    case 'ALONG_CROSSES':
      return finerCurves(remark.params.finerMm);
    case 'SHAPE_CROSSES':
    case 'SHAPE_FOLDS': {
      if (remark.code === 'SHAPE_CROSSES' && remark.params.finerMm !== undefined)
        return finerCurves(remark.params.finerMm);
      const { stepId, limit } = remark.params;
      return limit === undefined || stepId === undefined
        ? undefined
        : (edits, piece) => edits.steps(noStronger(piece.steps, stepId, limit));
    }
    case 'SHAPE_TOUCHES': {
      const { stepId, limit } = remark.params;
      return (edits, piece) => edits.steps(noStronger(piece.steps, stepId, limit));
    }
    default:
      return undefined;
  }
}

/** Steps, one of them as strong as it may be; a little under, so that rounding does not fold it again. */
const noStronger = (steps: readonly Step[], id: string, limit: number): Step[] =>
  steps.map((step) => (step.id === id ? withStrength(step, justUnder(limit)) : step));

/** Two figures of a value, towards zero. */
function justUnder(value: number): number {
  const digits = Math.max(0, 1 - Math.floor(Math.log10(Math.abs(value) || 1)));
  return Number((Math.trunc(value * 10 ** Math.min(digits, 6)) / 10 ** Math.min(digits, 6)).toFixed(6));
}

interface ToldProps {
  chapter: ChapterName;
  remarks: readonly Remark[];
  edits: PieceEdits;
  piece: Piece;
}

/** What has to be told of a chapter, with the cure as a button where there is one. */
export function Told({ chapter, remarks, edits, piece }: ToldProps) {
  const here = remarks.filter((remark) => CHAPTER_OF[remark.code] === chapter);
  return here.map((remark, i) => {
    const cure = cureOf(remark);
    return (
      <div
        key={`${remark.code} ${i}`}
        className={classes.remark}
        data-tone={NOTES.has(remark.code) ? 'note' : 'warning'}
      >
        <span>{remarkText(remark)}</span>
        {cure && (
          <UnstyledButton className={classes.cure} onClick={() => cure(edits, piece)}>
            {cureText(remark)}
          </UnstyledButton>
        )}
      </div>
    );
  });
}
