import type { HelpWords } from '../../helpWords.ts';
import { CUT_HELP } from './cut.ts';
import { FACES_HELP } from './faces.ts';
import { LAID_HELP } from './laid.ts';
import { SHAPE_HELP } from './shape.ts';
import { SOLID_HELP } from './solid.ts';
import { WORDS_HELP } from './words.ts';

/** What English says of every remark to who asks why. */
export const HELP_WORDS: HelpWords = {
  ...WORDS_HELP,
  ...SOLID_HELP,
  ...FACES_HELP,
  ...SHAPE_HELP,
  ...LAID_HELP,
  ...CUT_HELP,
};
