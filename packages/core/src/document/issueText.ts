import type { z } from 'zod';

const KINDS: Readonly<Record<string, string>> = {
  string: 'a text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'yes or no',
  object: 'a record',
  array: 'a list',
  tuple: 'a list',
  record: 'a record',
};

type IssueTexts = {
  readonly [C in z.core.$ZodIssue['code']]?: (issue: Extract<z.core.$ZodIssue, { code: C }>) => string;
};

const TOLD: IssueTexts = {
  invalid_type: ({ expected, message }) =>
    /received undefined$/.test(message)
      ? 'it is missing'
      : `it is no ${(KINDS[expected] ?? expected).replace(/^an? /, '')}`,
  too_small: ({ minimum }) => `it is less than ${String(minimum)}`,
  too_big: ({ maximum }) => `it is more than ${String(maximum)}`,
  custom: ({ message }) => message,
  invalid_union: () => 'it is of no kind that is known',
};

/** What is wrong with a value, in words of ours; what a schema of ours says of several values is such already. */
export const issueText = (issue: z.core.$ZodIssue): string =>
  (TOLD[issue.code] as ((issue: z.core.$ZodIssue) => string) | undefined)?.(issue) ??
  'it is not one of the values that there are';

export function firstIssue(error: z.ZodError): { path: string; why: string } {
  const issue = error.issues[0];
  return { path: issue.path.map(String).join('.') || 'document', why: issueText(issue) };
}
