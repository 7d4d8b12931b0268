import type { Fields } from './field.ts';

interface Listed {
  kind: string;
  fields: Fields;
}

/** What each entry of a list is made of, by its kind. */
export const fieldsByKind = <const L extends readonly Listed[]>(list: L) =>
  Object.fromEntries(list.map(({ kind, fields }) => [kind, fields])) as {
    readonly [K in L[number]['kind']]: Extract<L[number], { kind: K }>['fields'];
  };

/** The entry of a kind. Throws where there is none. */
export function ofKind<D extends { kind: string }>(list: readonly D[], kind: string): D {
  const found = list.find((one) => one.kind === kind);
  if (!found) throw new Error(`there is no ${kind}`);
  return found;
}
