import type { Offer } from '../ui/index.ts';

/** Something that can be done, by whatever way: the search, a key, a menu. */
export interface Command extends Offer {
  /** as `@mantine/hooks` writes keys: "mod+Z" */
  keys?: string;
  isPossible?: boolean;
  /** its keys give an event of their own, which is listened to elsewhere */
  hasOwnEvent?: boolean;
}

/** Keys that are words, not letters. */
const NAMED: Readonly<Record<string, string>> = { mod: 'Ctrl', shift: 'Shift' };

/** How keys are shown to people. */
export const keysText = (keys: string): string =>
  keys
    .split('+')
    .map((key) => NAMED[key] ?? (key.length === 1 ? key.toUpperCase() : key))
    .join(' ');
