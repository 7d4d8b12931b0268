import type { Letter } from '../text/index.ts';

/** What letters of a layout say, by their numbers; not more than anybody reads. */
export const textsOf = (letters: readonly number[], layout: readonly Letter[]): string =>
  letters
    .slice(0, 40)
    .map((i) => layout[i].text)
    .join(' ');
