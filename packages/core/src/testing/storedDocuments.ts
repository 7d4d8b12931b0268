import { readdirSync, readFileSync } from 'node:fs';
import { textHash } from '../base/index.ts';

// A document of every version, each written by the commit that had it last and never changed after.

const FOLDER = new URL('./documents/', import.meta.url);

/** What was made of them when it was first looked at. */
interface Found {
  /** by the number of a version: the names and kinds of all that its schema takes, hashed */
  schemas: Record<string, string>;
  /** by the number of a version: what the next migration makes of its document, hashed */
  migrated: Record<string, string>;
  /** by version and piece: faces, sizes in mm and volume in cubic mm */
  solids: Record<string, Record<string, { faces: number; sizeMm: number[]; volumeMm3: number }>>;
}

const read = (name: string): unknown => JSON.parse(readFileSync(new URL(name, FOLDER), 'utf8'));

export const found = (): Found => read('found.json') as Found;

export const storedVersions: readonly number[] = readdirSync(FOLDER)
  .flatMap((name) => /^version(\d+)\.json$/.exec(name)?.slice(1).map(Number) ?? [])
  .sort((a, b) => a - b);

/** Of some version, as it was written. */
export const storedDocument = (version: number): Record<string, unknown> =>
  read(`version${version}.json`) as Record<string, unknown>;

/** Of a value whose records may come in any order. */
export const hashOf = (value: unknown): string => textHash(JSON.stringify(sorted(value)));

function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, one]) => [key, sorted(one)]),
  );
}

/** Paths of values of one document that another has not, or has otherwise. */
export function lost(before: unknown, after: unknown, path = ''): string[] {
  if (typeof before !== 'object' || before === null) return Object.is(before, after) ? [] : [path];
  if (typeof after !== 'object' || after === null) return [path];
  return Object.entries(before).flatMap(([key, value]) =>
    lost(value, (after as Record<string, unknown>)[key], path === '' ? key : `${path}.${key}`),
  );
}
