/** Longer than any number that a program writes. */
const LONGEST_WORD = 400;

/** A word of a text file, and where it begins. One that is longer than any number is empty, which no number is. */
export interface TextWord {
  word: string;
  at: number;
}

/** Spaces, tabs and ends of lines; other control characters stand in no text. */
const isBlank = (byte: number): boolean => byte === 32 || (byte >= 9 && byte <= 13);

/** Words of a text file one after the other, without ever holding all of them. */
export function* wordsIn(bytes: Uint8Array, start = 0): Generator<TextWord> {
  let from = -1;
  for (let i = start; i <= bytes.length; i++) {
    const isSpace = i === bytes.length || isBlank(bytes[i]);
    if (!isSpace && from < 0) from = i;
    if (!isSpace || from < 0) continue;
    yield { word: i - from > LONGEST_WORD ? '' : latin1(bytes, from, i), at: from };
    from = -1;
  }
}

/** Bytes as characters of the same numbers; those beyond ASCII only occur in names. */
export function latin1(bytes: Uint8Array, start: number, end: number): string {
  let text = '';
  // to spread the bytes would walk an iterator: ten times as slow
  for (let i = start; i < end; i += 4096)
    text += Reflect.apply(String.fromCharCode, undefined, bytes.subarray(i, Math.min(end, i + 4096)));
  return text;
}

const NUMBER = /^[-+]?(?:\d+(?:\.\d*)?|\.\d+)(?:e[-+]?\d+)?$/i;

/** A finite decimal number as mesh files write it; NaN for anything else, hexadecimal and "Infinity" too. */
export function decimal(word: string | undefined): number {
  if (word === undefined || !NUMBER.test(word)) return NaN;
  const value = Number(word);
  return Number.isFinite(value) ? value : NaN;
}

/** Where text begins: after the mark that some programs put before it. */
export const textStart = (bytes: Uint8Array): number =>
  bytes[0] === 0xef && bytes[1] === 0xbb && bytes[2] === 0xbf ? 3 : 0;
