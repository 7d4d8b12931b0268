import type { Column } from './columns.ts';
import { Grown } from './grown.ts';

/** Where a row comes from: one row, the mean of several, several by their shares, or none (zeros). */
export type Origin = number | readonly number[] | { rows: readonly number[]; shares: readonly number[] } | undefined;

type Mix = Exclude<Origin, number | undefined>;

const NONE = -1;
/** Numbers below it name what is mixed. */
const FIRST_MIX = -2;

/**
 * For each row that is made: the rows of the sources that it comes from. Sources' rows are numbered one after the
 * other.
 */
export class Origins {
  readonly #rows = new Grown((length) => new Int32Array(length));
  readonly #mixes: Mix[] = [];

  add(origin: Origin): void {
    if (origin === undefined) this.#rows.push(NONE);
    else if (typeof origin === 'number') this.#rows.push(origin);
    else this.#rows.push(FIRST_MIX - (this.#mixes.push(origin) - 1));
  }

  /** A column of what is made. `held`: of each source, which may have none; `starts`: number of its first row. */
  gather(
    { arity, make }: Column,
    held: readonly (ArrayLike<number> | undefined)[],
    starts: readonly number[],
  ): ReturnType<Column['make']> {
    const made = make(arity * this.#rows.size);
    let s = 0;
    const value = (row: number, k: number): number => {
      while (row < starts[s]) s--;
      while (s + 1 < starts.length && row >= starts[s + 1]) s++;
      return held[s]?.[arity * (row - starts[s]) + k] ?? 0;
    };
    for (let i = 0; i < this.#rows.size; i++) {
      const row = this.#rows.at(i);
      if (row === NONE) continue;
      for (let k = 0; k < arity; k++)
        made[arity * i + k] = row >= 0 ? value(row, k) : mixed(this.#mixes[FIRST_MIX - row], (one) => value(one, k));
    }
    return made;
  }
}

function mixed(mix: Mix, value: (row: number) => number): number {
  if ('shares' in mix) return mix.shares.reduce((sum, share, i) => sum + share * value(mix.rows[i]), 0);
  return mix.reduce((sum, row) => sum + value(row), 0) / mix.length;
}
