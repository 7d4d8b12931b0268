import { covers, type FontFamily } from '@fictile/core';

/** A letter that a family has only if it was made for the script. */
const TELLING: Readonly<Record<string, string>> = {
  Latin: 'a',
  Vietnamese: 'ộ',
  Greek: 'ω',
  Cyrillic: 'ж',
  Arabic: 'ع',
  Hebrew: 'ש',
  Devanagari: 'क',
  Japanese: 'あ',
};

export const scriptsOf = (family: FontFamily): string[] =>
  Object.keys(TELLING).filter((script) => covers(family, TELLING[script]));
