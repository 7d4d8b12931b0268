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

/** What is wrong with a value, in words of ours; what a schema of ours says of several values is such already. */
export function issueText(issue: z.core.$ZodIssue): string {
  switch (issue.code) {
    case 'invalid_type':
      if (/received undefined$/.test(issue.message)) return 'it is missing';
      return `it is no ${(KINDS[issue.expected] ?? issue.expected).replace(/^an? /, '')}`;
    case 'too_small':
      return `it is less than ${String(issue.minimum)}`;
    case 'too_big':
      return `it is more than ${String(issue.maximum)}`;
    case 'custom':
      return issue.message;
    case 'invalid_union':
      return 'it is of no kind that is known';
    default:
      return 'it is not one of the values that there are';
  }
}
