/** Scripts that are told apart, by their ISO 15924 tags; any other text goes with its neighbours. */
const SCRIPTS: readonly (readonly [string, RegExp])[] = [
  ['Latn', /\p{Script=Latin}/u],
  ['Grek', /\p{Script=Greek}/u],
  ['Cyrl', /\p{Script=Cyrillic}/u],
  ['Arab', /\p{Script=Arabic}/u],
  ['Hebr', /\p{Script=Hebrew}/u],
  ['Deva', /\p{Script=Devanagari}/u],
  ['Beng', /\p{Script=Bengali}/u],
  ['Thai', /\p{Script=Thai}/u],
  ['Hira', /\p{Script=Hiragana}/u],
  ['Kana', /\p{Script=Katakana}/u],
  ['Hani', /\p{Script=Han}/u],
  ['Hang', /\p{Script=Hangul}/u],
  ['Armn', /\p{Script=Armenian}/u],
  ['Geor', /\p{Script=Georgian}/u],
];

/** The script of a grapheme; undefined for what every script uses (spaces, digits, marks, signs). */
export const scriptOf = (grapheme: string): string | undefined => SCRIPTS.find(([, is]) => is.test(grapheme))?.[0];
