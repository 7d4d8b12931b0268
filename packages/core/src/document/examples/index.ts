import type { RemarkCode } from '../../base/index.ts';
import { CUT_EXAMPLES } from './cut.ts';
import { FACES_EXAMPLES } from './faces.ts';
import { LAID_EXAMPLES } from './laid.ts';
import type { RemarkExample, RemarkExamples } from './scenes.ts';
import { SHAPE_EXAMPLES } from './shape.ts';
import { SOLID_EXAMPLES } from './solid.ts';
import { WORDS_EXAMPLES } from './words.ts';

export type { RemarkExample } from './scenes.ts';

const EXAMPLES: RemarkExamples = {
  ...WORDS_EXAMPLES,
  ...SOLID_EXAMPLES,
  ...FACES_EXAMPLES,
  ...SHAPE_EXAMPLES,
  ...LAID_EXAMPLES,
  ...CUT_EXAMPLES,
};

/** Every code of a remark. */
export const REMARK_CODES = Object.keys(EXAMPLES) as RemarkCode[];

/** A small document of which this is told, made anew each time. */
export const exampleOf = (code: RemarkCode): RemarkExample => EXAMPLES[code]();
