import { parseLength, rangeOf, STEPS, type Field } from '@fictile/core';
import { fault } from './messages.ts';

/** How a flag's value is read. */
export type FlagKind =
  | { kind: 'text' }
  /** the path of a file */
  | { kind: 'file' }
  /** a family, or a file of a font */
  | { kind: 'font' }
  | { kind: 'switch' }
  | { kind: 'length'; min: number; max: number }
  | { kind: 'number'; min: number; max: number; whole?: boolean }
  | { kind: 'choice'; of: readonly string[] }
  /** one of these, or a file that holds a drawn one */
  | { kind: 'shape'; of: readonly string[] }
  /** two lengths with a comma between */
  | { kind: 'pair' }
  /** three lengths with commas between */
  | { kind: 'point' }
  /** three angles with commas between */
  | { kind: 'angles' }
  /** a length, or auto */
  | { kind: 'size' }
  /** a share like 50%, or a count */
  | { kind: 'amount' };

type Raw = string | number | boolean;
type Of<K extends FlagKind['kind']> = Extract<FlagKind, { kind: K }>;

/** All that there is to a kind of flag. */
interface FlagKindDefinition<K extends FlagKind> {
  /** what was typed: numbers in millimetres and plain numbers, texts, true; undefined where it does not fit */
  read(raw: Raw, kind: K): string | number | true | undefined;
  /** what it takes instead, in an error */
  wanted(kind: K): string;
  /** what stands behind it, in help */
  takes(kind: K): string;
  /** as JSON schema */
  schema(kind: K): object;
}

const textual = (takes: string): Omit<FlagKindDefinition<FlagKind>, 'kind'> => ({
  read: (raw) => (typeof raw === 'boolean' ? undefined : String(raw)),
  wanted: () => 'a text',
  takes: () => takes,
  schema: () => ({ type: 'string' }),
});

const numbers = (wanted: string, takes: string, fits: (raw: string) => unknown) => ({
  read: (raw: Raw) => (typeof raw === 'string' && fits(raw) ? raw : undefined),
  wanted: () => wanted,
  takes: () => takes,
});

const inBounds = (value: number | undefined, { min, max }: { min: number; max: number }): number | undefined =>
  inside(value, min, max) ? value : undefined;

const FLAG_KINDS: { readonly [K in FlagKind['kind']]: FlagKindDefinition<Of<K>> } = {
  switch: {
    read: (raw) => (raw === true ? true : undefined),
    wanted: () => 'no value',
    takes: () => '',
    schema: () => ({ const: true }),
  },
  text: textual('TEXT'),
  font: textual('TEXT'),
  file: textual('FILE'),
  choice: {
    read: (raw, { of }) => (of.includes(String(raw)) ? String(raw) : undefined),
    wanted: ({ of }) => of.join(', ').replace(/, ([^,]*)$/, ' or $1'),
    takes: ({ of }) => of.join('|'),
    schema: ({ of }) => ({ enum: of }),
  },
  shape: {
    read: (raw, { of }) => (of.includes(String(raw)) || isProfileFile(String(raw)) ? String(raw) : undefined),
    wanted: ({ of }) => `${of.join(', ')} or a FILE.json`,
    takes: ({ of }) => `${of.join('|')}|FILE.json`,
    schema: ({ of }) => ({
      anyOf: [{ enum: of }, { type: 'string', pattern: '\\.json$', description: 'a file of a drawn one' }],
    }),
  },
  pair: {
    ...numbers('two lengths like "4mm,-2mm"', 'X,Y', lengthPair),
    schema: () => ({ type: 'string', description: 'two lengths: 4mm,-2mm' }),
  },
  point: {
    ...numbers('three lengths like "0,20mm,-5mm"', 'X,Y,Z', lengthTriple),
    schema: () => ({ type: 'string', description: 'three lengths: 0,20mm,-5mm' }),
  },
  angles: {
    ...numbers('three angles like "0,0,12"', 'X,Y,Z', numberTriple),
    schema: () => ({ type: 'string', description: 'three angles: 0,0,12' }),
  },
  size: {
    read: (raw) => (raw === 'auto' || inside(parseLength(String(raw)), 0.001, 10_000) ? String(raw) : undefined),
    wanted: () => 'auto or a length from 0.001 to 10000 mm',
    takes: () => 'LENGTH|auto',
    schema: () => ({
      anyOf: [{ const: 'auto' }, { type: 'number' }, { type: 'string', description: 'a length: 4mm' }],
    }),
  },
  amount: {
    read: (raw) => (isAmount(String(raw)) ? String(raw) : undefined),
    wanted: () => 'a share like 50%, a number of faces from 4 on, or an error like 0.2mm',
    takes: () => 'N%|N|LENGTH',
    schema: () => ({
      anyOf: [
        { type: 'integer', minimum: 4 },
        { type: 'string', pattern: '^[0-9.]+(%|mm|cm|m|in)?$' },
      ],
    }),
  },
  length: {
    read: (raw, kind) => inBounds(parseLength(String(raw)), kind),
    wanted: ({ min, max }) => `a length from ${min} to ${max} mm`,
    takes: () => 'LENGTH',
    schema: ({ min, max }) => ({
      anyOf: [
        { type: 'number', minimum: min, maximum: max },
        { type: 'string', description: 'a length: 18mm, 1.8cm, 0.7in' },
      ],
    }),
  },
  number: {
    read(raw, kind) {
      const value = inBounds(Number(raw === '' || typeof raw === 'boolean' ? NaN : raw), kind);
      return kind.whole && !Number.isInteger(value) ? undefined : value;
    },
    wanted: ({ min, max, whole }) => `a ${whole ? 'whole ' : ''}number from ${min} to ${max}`,
    takes: () => 'N',
    schema: ({ min, max, whole }) => ({ type: whole ? 'integer' : 'number', minimum: min, maximum: max }),
  },
};

const definitionOf = ({ kind }: FlagKind) => FLAG_KINDS[kind] as FlagKindDefinition<FlagKind>;

/** What was typed, as a flag's kind reads it: numbers in millimetres and plain numbers, texts, true. */
export function readAs(name: string, kind: FlagKind, raw: Raw): string | number | true {
  const value = definitionOf(kind).read(raw, kind);
  if (value !== undefined) return value;
  throw fault('FLAG_VALUE', `--${name} is "${raw}"; it takes ${definitionOf(kind).wanted(kind)}. Change it.`);
}

/** What stands behind a flag. */
export const takes = (kind: FlagKind): string => definitionOf(kind).takes(kind);

/** A flag's value as JSON schema. */
export const flagSchema = (kind: FlagKind): object => definitionOf(kind).schema(kind);

function inside(value: number | undefined, min: number, max: number): boolean {
  return value !== undefined && value >= min && value <= max;
}

/**
 * "50%" of a share, "800" of a count, "0.2mm" of a length; undefined where a field has another unit, or is not so much.
 */
export function amountOf(text: string, field: Field): number | undefined {
  const { unit } = field;
  const { min, max, isWhole } = rangeOf(field);
  const written = /[a-z]$/i.test(text) ? 'mm' : text.endsWith('%') ? '%' : 'count';
  if (written !== unit || text.trim() === '') return undefined;
  const value = written === 'mm' ? parseLength(text) : Number(text.replace(/%$/, ''));
  return inside(value, min, max) && (!isWhole || Number.isInteger(value)) ? value : undefined;
}

/** Of any field that an amount may be of. */
const isAmount = (text: string): boolean =>
  STEPS.some(
    ({ fields, flags }) =>
      flags !== false && flags.byUnit && Object.values(fields).some((one) => amountOf(text, one) !== undefined),
  );

export const isProfileFile = (text: string): boolean => /\.json$/i.test(text);

/** "4mm,-2mm" -> [4, -2] */
export function lengthPair(text: string): [number, number] | undefined {
  const [x, y, ...rest] = text.split(',').map(parseLength);
  return x === undefined || y === undefined || rest.length > 0 ? undefined : [x, y];
}

/** "0,20mm,-5mm" -> [0, 20, -5] */
export function lengthTriple(text: string): [number, number, number] | undefined {
  const [x, y, z, ...rest] = text.split(',').map(parseLength);
  return x === undefined || y === undefined || z === undefined || rest.length > 0 ? undefined : [x, y, z];
}

/** "0,0,12.5" -> [0, 0, 12.5] */
export function numberTriple(text: string): [number, number, number] | undefined {
  const [x, y, z, ...rest] = text.split(',').map((part) => (part.trim() === '' ? NaN : Number(part)));
  return [x, y, z].every(Number.isFinite) && rest.length === 0 ? [x, y, z] : undefined;
}
