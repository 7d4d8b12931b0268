import { fault } from '../messages.ts';

/** Refuses flags that a command does not know. */
export function only(flags: Readonly<Record<string, unknown>>, allowed: readonly string[]): void {
  const stray = Object.keys(flags).find((name) => !allowed.includes(name));
  if (stray === undefined) return;
  throw fault(
    'FLAG_UNKNOWN',
    `There is no flag --${stray} here. There are: ${allowed.map((n) => `--${n}`).join(', ')}.`,
  );
}
