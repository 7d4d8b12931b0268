import type { RemarkParams } from '@fictile/core';
import { mm } from '../figures.ts';
import type { RemarkWords } from '../../remarkWords.ts';

const OVERHANGS = {
  straight: 'They run on straight.',
  follow: 'They bend round it.',
  leave: 'They are left out.',
} as const;

const OVERHANGS_LINE = {
  follow: 'Over an edge of the model, bent round it',
  straight: 'Beside the model or over its edge, straight on',
  leave: 'Beside the model or over its edge, left out',
} as const;

const borderLine = ({ letters, moveMm, sizePercent }: RemarkParams['ONTO_BORDER']): string => {
  const cure =
    moveMm !== undefined
      ? ` Moved by ${mm(moveMm)} they have room.`
      : sizePercent !== undefined
        ? ` At ${Math.floor(sizePercent)} % of their size they have room.`
        : '';
  return `Over the border of what they lie on: ${letters}.${cure}`;
};

/** What is told of what lies on another piece. */
export const LAID_REMARKS = {
  ONTO_NOTHING: {
    page: 'Choose a piece to lay this one onto.',
    line: 'There is nothing to lay the piece onto.',
  },
  ONTO_CYCLE: {
    page: ({ pieces }) => `These pieces lie on each other in a circle: ${pieces}. The step is left out.`,
    line: ({ pieces }) => `These pieces are laid onto each other: ${pieces}. The step is left out.`,
  },
  HUNG_LETTER_GONE: {
    page: 'The letter this hung on is gone; it goes along with the whole word.',
    line: 'The letter that the piece hung on is gone; it goes along with the whole piece.',
  },
  ONTO_MISSES: {
    page: 'The place it is held at does not look at the model, so the step is left out. Change where it is held.',
    line: 'Looking from --from along --toward, no model is met. Choose another place or direction.',
  },
  ONTO_OVERHANGS: {
    page: ({ letters, instead }) => `Beside the model or over its edge: ${letters}. ${OVERHANGS[instead]}`,
    line: ({ instead, letters }) => `${OVERHANGS_LINE[instead]}: ${letters}`,
  },
  ONTO_OVERFULL: {
    page: 'The words go all the way round, so their ends run into each other.',
    line: ({ sizePercent }) =>
      `The words go all the way round and their ends run into each other; at ${Math.floor(sizePercent)} % ` +
      'of their size they do not',
  },
  ONTO_SINKS: {
    page: ({ byMm, letters }) => `Letters sink into the surface by up to ${mm(byMm)}: ${letters}.`,
    line: ({ byMm, letters }) => `Up to ${mm(byMm)} below the surface: ${letters}`,
  },
  ONTO_FLOATS: {
    page: ({ byMm, letters }) => `The back of letters stands over the surface by up to ${mm(byMm)}: ${letters}.`,
    line: ({ byMm, letters }) => `The back of letters stands up to ${mm(byMm)} over the surface: ${letters}`,
  },
  ONTO_FOLDS: {
    page: ({ percent, letters }) =>
      percent > 0
        ? `The surface curves so tightly that letters keep ${Math.round(percent)} % of their area: ${letters}. ` +
          'Make them smaller or move them.'
        : `The surface curves so tightly that letters fold over: ${letters}. Make them smaller or move them.`,
    line: ({ percent, letters }) =>
      'The model curves so tightly that ' +
      `letters ${percent > 0 ? `keep ${Math.round(percent)} % of their area` : 'fold over'}: ${letters}`,
  },
  ONTO_BORDER: {
    page: ({ letters }) => `Over the border of what they lie on: ${letters}.`,
    line: borderLine,
  },
} satisfies RemarkWords<
  | 'ONTO_NOTHING'
  | 'ONTO_CYCLE'
  | 'HUNG_LETTER_GONE'
  | 'ONTO_MISSES'
  | 'ONTO_OVERHANGS'
  | 'ONTO_OVERFULL'
  | 'ONTO_SINKS'
  | 'ONTO_FLOATS'
  | 'ONTO_FOLDS'
  | 'ONTO_BORDER'
>;
