/** Finds rows of numbers that are equal bit for bit: a table of row numbers, probed one place after another. */
export class RowTable {
  readonly #words: Int32Array;
  readonly #width: number;
  readonly #table: Int32Array;

  /** `words`: so many 32-bit words a row, `width` of them each */
  constructor(words: Int32Array, width: number) {
    this.#words = words;
    this.#width = width;
    let size = 4;
    while (size < (2 * words.length) / width) size *= 2;
    this.#table = new Int32Array(size).fill(-1);
  }

  /** The row that was found first with the same words: an earlier one, or this one. */
  first(row: number): number {
    const table = this.#table;
    const mask = table.length - 1;
    let at = this.#hash(row) & mask;
    for (let other = table[at]; other >= 0; other = table[at]) {
      if (this.#isEqual(other, row)) return other;
      at = (at + 1) & mask;
    }
    table[at] = row;
    return row;
  }

  #isEqual(a: number, b: number): boolean {
    const words = this.#words;
    const width = this.#width;
    for (let k = 0; k < width; k++) if (words[width * a + k] !== words[width * b + k]) return false;
    return true;
  }

  #hash(row: number): number {
    let mixed = 0;
    const end = this.#width * (row + 1);
    for (let k = this.#width * row; k < end; k++)
      mixed = Math.imul(mixed ^ this.#words[k], 0x2c1b3c6d) ^ (mixed >>> 13);
    return Math.imul(mixed ^ (mixed >>> 15), 0x297a2d39) >>> 3;
  }
}

// the arrays' own `from` walks an iterator: ten times as slow
const withoutMinusZero = <A extends Float32Array | Float64Array>(from: ArrayLike<number>, to: A): A => {
  for (let i = 0; i < from.length; i++) to[i] = from[i] + 0;
  return to;
};

/** Words of numbers, in which both zeros are one. */
export const words32 = (values: ArrayLike<number>): Int32Array =>
  new Int32Array(withoutMinusZero(values, new Float32Array(values.length)).buffer);
export const words64 = (values: ArrayLike<number>): Int32Array =>
  new Int32Array(withoutMinusZero(values, new Float64Array(values.length)).buffer);
