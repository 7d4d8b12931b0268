import type { CheckDefinition } from './definition.ts';
import { SOUND_CHECKS } from './soundChecks.ts';
import { WORK_CHECKS } from './workChecks.ts';

/**
 * Every check of a mesh, in the order in which they are told. A new one is a line in one of these, and its words in
 * each language.
 */
export const CHECK_LIST: readonly CheckDefinition[] = [...SOUND_CHECKS, ...WORK_CHECKS];
