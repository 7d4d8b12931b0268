import type { Cure, CureCode, CureParams, Failure, Remark, RemarkCode, StepKind } from '@fictile/core';
import { CURE_WORDS } from './en/cures.ts';
import { FAILURE_WORDS } from './en/failures.ts';
import { HELP_WORDS } from './en/help/index.ts';
import { REMARK_WORDS } from './en/remarks/index.ts';
import { STEP_WORDS } from './en/steps/index.ts';
import type { RemarkHelp } from './helpWords.ts';
import { saidOf, type Told, type Where } from './remarkWords.ts';
import type { StepWords } from './stepWords.ts';

export { LAY_WORDS } from './en/cures.ts';
export { OURS } from './en/failures.ts';
export { mm } from './en/figures.ts';
export { FORM_WORDS } from './en/forms.ts';
export { LINE_WORDS, WHERE_WORDS } from './en/records.ts';
export type { RemarkHelp } from './helpWords.ts';
export type { FieldWords, RecordWords, StepWords } from './stepWords.ts';

/** What is said of a kind of step. Throws where a language has forgotten one. */
export function wordsOf(kind: StepKind): StepWords {
  const found = STEP_WORDS[kind] as StepWords | undefined;
  if (!found) throw new Error(`no words for ${kind}`);
  return found;
}

/** What happened, what it means, what to do. */
export const remarkText = ({ code, params }: Remark, where: Where): string =>
  saidOf(REMARK_WORDS[code] as Told<Remark['params']>, where, params);

/** The same to who asks why. */
export const helpOf = (code: RemarkCode): RemarkHelp => HELP_WORDS[code];

export const failureText = ({ code, params }: Failure, where: Where): string =>
  saidOf(FAILURE_WORDS[code] as Told<Failure['params']>, where, params);

/** What the button of a cure says. */
export const cureText = <C extends CureCode>({ what, params }: Extract<Cure, { what: C }>): string =>
  (CURE_WORDS[what] as (params: CureParams[C]) => string)(params as CureParams[C]);
