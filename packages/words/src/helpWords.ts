import type { RemarkCode } from '@fictile/core';

/** What is said of a remark to who asks why: its name, what it means, and what helps. */
export interface RemarkHelp {
  name: string;
  means: string;
  helps: string;
}

export type HelpWords = { readonly [C in RemarkCode]: RemarkHelp };
