import { many, mm } from '../figures.ts';
import type { RemarkWords } from '../../remarkWords.ts';

/** What is told of how faces are cut. */
export const FACES_REMARKS = {
  FACES_PLAIN: {
    page: ({ letters }) => `No valid faces of this style were found for these letters, so theirs are plain: ${letters}`,
    line: ({ letters }) => `No valid faces of that style were found, plain ones stand in: ${letters}`,
  },
  OVER_BUDGET: {
    page: ({ faces, budget }) =>
      `These words would make about ${many(faces)} faces, more than the ${many(budget)} allowed. The words ` +
      'are kept, the solid is held back.',
    line: ({ faces, budget }) => `About ${faces} faces, the budget is ${budget}: the solid is held back.`,
  },
  NEED_FINER: {
    page: ({ haveMm, needMm }) => `Edges are ${mm(haveMm)} long, the shape needs ${mm(needMm)}: curves show corners.`,
    line: ({ haveMm, needMm }) =>
      `Edges are ${mm(haveMm)} long, the shape needs ${mm(needMm)}: leave out --face-size and --bands to ` +
      'have it so.',
  },
  NEED_OVER_BUDGET: {
    page: ({ needMm, budget, haveMm }) =>
      `The shape needs edges of ${mm(needMm)}; within ${many(budget)} faces they are ${mm(haveMm)}. Make ` +
      'the shape gentler, or the tolerance larger.',
    line: ({ haveMm, needMm, budget }) =>
      `Edges are ${mm(haveMm)} long: the ${mm(needMm)} that the shape needs would go over the budget of ` +
      `${budget} faces.`,
  },
  ROUNDING_COLLAPSED: {
    page: ({ faces }) => `${faces} faces vanished in rounding to 32 bit. Save in millimetres, or with less detail.`,
    line: ({ faces }) => `${faces} faces vanished in rounding to 32 bit. Choose mm, or less detail.`,
  },
} satisfies RemarkWords<'FACES_PLAIN' | 'OVER_BUDGET' | 'NEED_FINER' | 'NEED_OVER_BUDGET' | 'ROUNDING_COLLAPSED'>;
