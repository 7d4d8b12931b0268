import type { Field, FieldRange, Fields } from './field.ts';

/** Whether a field of a record counts, as the others of it are. */
export function counts({ when }: Field, values: Readonly<Record<string, unknown>>): boolean {
  return Object.entries(when ?? {}).every(([name, value]) =>
    Array.isArray(value) ? value.includes(values[name]) : values[name] === value,
  );
}

/**
 * The field that a path leads to: names of fields, places in rows, and the kind of what is one of several. Throws where
 * it leads to none.
 */
export function fieldAt(fields: Fields, path: readonly (string | number)[]): Field {
  const [name, ...rest] = path;
  const found = fields[String(name)] as Field | undefined;
  if (!found) throw new Error(`no field at ${path.join('.')}`);
  if (rest.length === 0) return found;
  if (found.fields) return fieldAt(found.fields, rest);
  const [kind, ...inner] = rest;
  if (found.kinds?.[String(kind)]) return fieldAt(found.kinds[String(kind)], inner);
  const part = found.parts?.[Number(kind)];
  if (part && inner.length === 0) return part;
  throw new Error(`no field at ${path.join('.')}`);
}

/** The ids of letters that a record asks for by name. */
export function lettersIn(fields: Fields, values: Readonly<Record<string, unknown>>): number[] {
  return Object.entries(fields).flatMap(([name, { is, fields: inner }]) => {
    if (is === 'letters') return values[name] as number[];
    return inner ? lettersIn(inner, values[name] as Record<string, unknown>) : [];
  });
}

const UNITS = /(?:Mm|Degrees|Percent)$/;

/** The end of a field's flag, in words with hyphens; undefined: it has none of its own. */
export function flagOf(name: string, field: Field): string | undefined {
  if (field.flag === false || field.is === 'data') return undefined;
  return field.flag ?? name.replace(UNITS, '').replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
}

/** The same values with other ids of pieces. */
export function withPieces<V extends object>(fields: Fields, values: V, rename: (id: string) => string): V {
  const held = values as Record<string, unknown>;
  const changed = Object.entries(fields).flatMap(([name, { is, fields: inner, kinds }]) => {
    if (is === 'piece') return [[name, rename(held[name] as string)]];
    const own = inner ?? kinds?.[(held[name] as { kind: string }).kind];
    return own ? [[name, withPieces(own, held[name] as object, rename)]] : [];
  });
  return { ...values, ...Object.fromEntries(changed) };
}

/** What a number may be; anything, where its field has no range. */
export const rangeOf = ({ range }: Field): FieldRange => range ?? { min: -Infinity, max: Infinity, isWhole: false };
