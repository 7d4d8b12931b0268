import type { ErrorParams, RemarkCode, RemarkParams } from '@fictile/core';

type Sentence<P> = string | ((params: P) => string);

/**
 * What is said of something: what happened, what it means, what to do. Once where both can say the same; else on the
 * page, where a button stands beside it, and on the command line, where a flag helps.
 */
export type Told<P> = Sentence<P> | { page: Sentence<P>; line: Sentence<P> };
export type Where = 'page' | 'line';

export type RemarkWords<C extends RemarkCode = RemarkCode> = { readonly [K in C]: Told<RemarkParams[K]> };
export type FailureWords = { readonly [C in keyof ErrorParams]: Told<ErrorParams[C]> };

export function saidOf<P>(told: Told<P>, where: Where, params: P): string {
  const sentence = typeof told === 'object' ? told[where] : told;
  return typeof sentence === 'function' ? sentence(params) : sentence;
}
