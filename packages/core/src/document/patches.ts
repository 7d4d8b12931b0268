import { deepEqual } from 'fast-equals';

/** One place of a plain document and what stood there before and after; undefined means absent. */
export interface Patch {
  path: readonly (string | number)[];
  before: unknown;
  after: unknown;
}

export const isRecord = (v: unknown): v is Readonly<Record<string, unknown>> =>
  typeof v === 'object' && v !== null && !Array.isArray(v);

/**
 * Differences of two plain documents, as deep as objects go; arrays are compared as wholes. Shared parts cost nothing.
 */
export function diff(before: unknown, after: unknown, path: readonly (string | number)[] = []): Patch[] {
  if (Object.is(before, after)) return [];
  if (isRecord(before) && isRecord(after)) {
    const keys = new Set([...Object.keys(before), ...Object.keys(after)]);
    return [...keys].flatMap((key) => diff(before[key], after[key], [...path, key]));
  }
  if (Array.isArray(before) && deepEqual(before, after)) return [];
  return [{ path, before, after }];
}

/** Equal in all values; the order of fields does not matter. */
export const sameDocument = (a: unknown, b: unknown): boolean => diff(a, b).length === 0;

export const reversed = (patches: readonly Patch[]): Patch[] =>
  [...patches].reverse().map(({ path, before, after }) => ({ path, before: after, after: before }));

export function applyPatches<T>(document: T, patches: readonly Patch[]): T {
  return patches.reduce<unknown>((current, patch) => put(current, patch.path, patch.after), document) as T;
}

function put(target: unknown, path: readonly (string | number)[], value: unknown): unknown {
  if (path.length === 0) return value;
  const [key, ...rest] = path;
  const source = isRecord(target) ? target : {};
  const child = put(source[key], rest, value);
  if (child !== undefined) return { ...source, [key]: child };
  return Object.fromEntries(Object.entries(source).filter(([name]) => name !== String(key)));
}
