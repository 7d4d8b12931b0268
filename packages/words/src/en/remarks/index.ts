import type { RemarkWords } from '../../remarkWords.ts';
import { CUT_REMARKS } from './cut.ts';
import { FACES_REMARKS } from './faces.ts';
import { LAID_REMARKS } from './laid.ts';
import { SHAPE_REMARKS } from './shape.ts';
import { SOLID_REMARKS } from './solid.ts';
import { WORDS_REMARKS } from './words.ts';

/** What English says of every remark. */
export const REMARK_WORDS: RemarkWords = {
  ...WORDS_REMARKS,
  ...SOLID_REMARKS,
  ...FACES_REMARKS,
  ...SHAPE_REMARKS,
  ...LAID_REMARKS,
  ...CUT_REMARKS,
};
