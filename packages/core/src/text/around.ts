import type { Grapheme } from './graphemes.ts';

/** First and last place of the run of a text that has no `end` in it and that a caret at `at` touches. */
function runAround(
  graphemes: readonly Pick<Grapheme, 'text'>[],
  at: number,
  isEnd: (text: string) => boolean,
): [number, number] {
  let [from, to] = [at, at];
  while (from > 0 && !isEnd(graphemes[from - 1].text)) from--;
  while (to < graphemes.length && !isEnd(graphemes[to].text)) to++;
  return [from, to];
}

/** The word that a caret stands in or beside. */
export const wordAround = (graphemes: readonly Pick<Grapheme, 'text'>[], at: number): [number, number] =>
  runAround(graphemes, at, (text) => text.trim() === '');

/** The line that a caret stands in. */
export const lineAround = (graphemes: readonly Pick<Grapheme, 'text'>[], at: number): [number, number] =>
  runAround(graphemes, at, (text) => text === '\n');
