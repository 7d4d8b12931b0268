import { CUT_REMARKS } from './cut.ts';
import type { RemarkDefinitions } from './definition.ts';
import { FACES_REMARKS } from './faces.ts';
import { LAID_REMARKS } from './laid.ts';
import { SHAPE_REMARKS } from './shape.ts';
import { SOLID_REMARKS } from './solid.ts';
import { WORDS_REMARKS } from './words.ts';

/** Every code that can be told of a piece. */
export const REMARKS: RemarkDefinitions = {
  ...WORDS_REMARKS,
  ...SOLID_REMARKS,
  ...FACES_REMARKS,
  ...SHAPE_REMARKS,
  ...LAID_REMARKS,
  ...CUT_REMARKS,
};
