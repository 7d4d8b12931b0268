import { canClose, type DrawingSkip, type RemarkParams } from '@fictile/core';
import { many, mm } from '../figures.ts';
import { STEP_WORDS } from '../steps/index.ts';
import type { RemarkWords } from '../../remarkWords.ts';

const SKIPPED: Readonly<Record<DrawingSkip, string>> = {
  text: 'Text is no outline and was left out. Turn it into paths in the drawing, or type it here.',
  picture: 'Pictures were left out.',
  script: 'Scripts were left out, none was run.',
  outside: 'What lies outside the file was left out.',
  gradient: 'Gradients became their first colour.',
  clip: 'Clips and masks were left off, what they hide is shown.',
  path: 'Paths that can’t be read were left out.',
  number: 'Transforms that can’t be read were left off.',
  colours: 'Colours beyond the 64th became that one.',
  effect: 'Filters and other effects were left off.',
  style: 'Some rules of its style sheet were left off.',
  pages: 'Pages after the first were left out.',
};

const skippedText = ({ what, count }: { what: DrawingSkip; count: number }): string =>
  count === 1 ? SKIPPED[what] : `${SKIPPED[what]} (${many(count)} times)`;

const SKIPPED_LINE: Readonly<Record<DrawingSkip, string>> = {
  text: 'Text is no outline and was left out (turn it into paths, or build it with --text)',
  picture: 'Pictures were left out',
  script: 'Scripts were left out; nothing of them was run',
  outside: 'What lies outside the file was left out',
  gradient: 'Gradients became their first colour',
  clip: 'Clips and masks were left off; what they hide is shown',
  path: 'Paths that can not be read were left out',
  number: 'Transforms that can not be read were left off',
  colours: 'Colours beyond the 64th became that one',
  effect: 'Filters and other effects were left off',
  style: 'Rules of the style sheet that are not understood were left off',
  pages: 'Pages after the first were left out',
};

function leftOutText({ pictures, levels }: RemarkParams['MODEL_LEFT_OUT']): string {
  const counted = pictures === 1 ? 'A picture is' : `${pictures} pictures are`;
  return [
    ...(pictures > 0 ? [`${counted} left out: laid by coordinates of their own, or of a kind that is not shown.`] : []),
    ...(levels > 0 ? [`The file holds this model ${levels + 1} times, finer and coarser. The finest came in.`] : []),
  ].join(' ');
}

function openText(params: RemarkParams['MODEL_OPEN']): string {
  const { openEdges, badEdges, joinMm } = params;
  const counts = `${many(openEdges)} open edges, ${many(badEdges)} with too many faces.`;
  if (joinMm !== undefined)
    return (
      `This model is not closed: ${counts} Its points lie up to ${joinMm} mm beside each other; joined, it ` +
      'is closed.'
    );
  return (
    'This model is not closed: ' +
    `${counts}${canClose(params) ? '' : ` The step “${STEP_WORDS.recast.name}” makes a closed solid of it.`}`
  );
}

/** What is told of words, drawings and models before anything is built. */
export const WORDS_REMARKS = {
  TEXT_EMPTY: {
    page: 'No words yet. Type some to see them here.',
    line: 'There are no words: nothing to build.',
  },
  GLYPH_MISSING: {
    page: ({ font, characters }) =>
      `${font} has no shape for ${characters}, nor has any other font here. A box stands in.`,
    line: ({ font, characters }) => `${font} has no shape for ${characters}: a box stands in.`,
  },
  FONT_STOOD_IN: ({ font, characters }) => `${font} stands in for ${characters}`,
  SMALL_CAPITALS_MISSING: ({ font }) => `${font} has no small capitals; the letters stay as typed.`,
  CIRCLE_OVERFULL: {
    page: ({ neededMm }) =>
      `The words are longer than their circle, so their ends overlap. From a radius of ${neededMm} mm on they fit.`,
    line: ({ neededMm }) =>
      `A line is longer than its circle, its ends overlap: from a radius of ${mm(neededMm)} on it fits.`,
  },
  CURVE_OVERFULL: {
    page: ({ byMm }) => `The words are ${mm(byMm)} longer than their curve. They go on straight where it ends.`,
    line: ({ byMm }) => `A line is longer than its curve by ${mm(byMm)}: it goes on straight.`,
  },
  WALL_FILLS: ({ letters }) => `Strokes are thinner than the wall, so these stay full: ${letters}`,
  DRAWING_SKIPPED: {
    page: skippedText,
    line: ({ what, count }) => `${SKIPPED_LINE[what]}: ${count}.`,
  },
  LETTERS_APART: ({ letters }) =>
    `With a solid of their own these stand a hair apart from their neighbours: ${letters}`,
  LETTERS_CROSS: ({ letters }) => `These letters stand apart but run into each other: ${letters}`,
  OUTLINE_TOO_LARGE: {
    page: ({ limit, letters }) =>
      `Outlines of more than ${many(limit)} points, or that run over themselves ten thousand times, are not ` +
      `built; left out: ${letters}`,
    line: ({ limit, letters }) =>
      `Outlines of more than ${limit} points, or that run over themselves ten thousand times, are not ` +
      `built; left out: ${letters}`,
  },
  TEXT_TOO_LONG: {
    page: ({ characters, limit }) =>
      `${many(characters)} characters: up to ${many(limit)} are built. The words are kept, the solid is held back.`,
    line: ({ characters, limit }) => `${characters} characters; up to ${limit} are built: the solid is held back.`,
  },
  MODEL_OPEN: {
    page: openText,
    line: ({ openEdges, badEdges }) =>
      `The model is not closed: ${openEdges} open edges, ${badEdges} edges with too many faces.`,
  },
  MODEL_LEFT_OUT: {
    page: leftOutText,
    line: ({ pictures, levels }) =>
      `Left out of the model: ${pictures} pictures that lie by coordinates of their own or are of another ` +
      `kind, ${levels} coarser levels of detail.`,
  },
} satisfies RemarkWords<
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
  | 'MODEL_LEFT_OUT'
>;
