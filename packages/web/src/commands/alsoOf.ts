import { OTHER_WORDS } from '../words/index.ts';
import { keysText, type Command } from './commandList.ts';

/** Other words for a thing: said of itself, of what it is a value or a choice of, and its keys. */
export function alsoOf({ id, name = '', also = [], keys }: Command): string[] {
  const own = OTHER_WORDS[id] ?? OTHER_WORDS[name] ?? [];
  return [...also, ...own, ...(keys ? [keysText(keys)] : [])];
}
