import { seededRandom } from '@fictile/core';
import { BASIC_LATIN } from './fonts.ts';

/** Seeded choices: of a row, between two numbers, letters. */
export interface Seeded {
  chance(): number;
  pick<T>(row: readonly T[]): T;
  between(least: number, most: number): number;
  letters(count: number): string;
}

export function seeded(seed: number): Seeded {
  const chance = seededRandom(seed);
  const pick = <T>(row: readonly T[]): T => row[Math.floor(chance() * row.length)];
  return {
    chance,
    pick,
    between: (least, most) => least + chance() * (most - least),
    letters: (count) => Array.from({ length: count }, () => pick(BASIC_LATIN)).join(''),
  };
}
