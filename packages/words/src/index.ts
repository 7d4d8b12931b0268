import type { StepKind } from '@fictile/core';
import { STEP_WORDS } from './en/steps/index.ts';
import type { StepWords } from './stepWords.ts';

export { LINE_WORDS, WHERE_WORDS } from './en/records.ts';
export type { FieldWords, RecordWords, StepWords } from './stepWords.ts';

/** What is said of a kind of step. Throws where a language has forgotten one. */
export function wordsOf(kind: StepKind): StepWords {
  const found = STEP_WORDS[kind] as StepWords | undefined;
  if (!found) throw new Error(`no words for ${kind}`);
  return found;
}
