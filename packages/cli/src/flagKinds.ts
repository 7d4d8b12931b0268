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

/** What was typed, as a flag's kind reads it: numbers in millimetres and plain numbers, texts, true. */
export function readAs(name: string, kind: FlagKind, raw: string | number | boolean): string | number | true {
  const wrong = (wanted: string): never => {
    throw fault('FLAG_VALUE', `--${name} is "${raw}"; it takes ${wanted}. Change it.`);
  };
  switch (kind.kind) {
    case 'switch':
      return raw === true ? true : wrong('no value');
    case 'text':
    case 'file':
    case 'font':
      return typeof raw === 'boolean' ? wrong('a text') : String(raw);
    case 'choice':
      return kind.of.includes(String(raw)) ? String(raw) : wrong(kind.of.join(', ').replace(/, ([^,]*)$/, ' or $1'));
    case 'shape':
      return kind.of.includes(String(raw)) || isProfileFile(String(raw))
        ? String(raw)
        : wrong(`${kind.of.join(', ')} or a FILE.json`);
    case 'pair':
      return typeof raw === 'string' && lengthPair(raw) ? raw : wrong('two lengths like "4mm,-2mm"');
    case 'point':
      return typeof raw === 'string' && lengthTriple(raw) ? raw : wrong('three lengths like "0,20mm,-5mm"');
    case 'angles':
      return typeof raw === 'string' && numberTriple(raw) ? raw : wrong('three angles like "0,0,12"');
    case 'size':
      return raw === 'auto' || inside(parseLength(String(raw)), 0.001, 10_000)
        ? String(raw)
        : wrong('auto or a length from 0.001 to 10000 mm');
    case 'amount':
      return isAmount(String(raw))
        ? String(raw)
        : wrong('a share like 50%, a number of faces from 4 on, or an error like 0.2mm');
    case 'length':
    case 'number': {
      const value =
        kind.kind === 'length' ? parseLength(String(raw)) : Number(raw === '' || typeof raw === 'boolean' ? NaN : raw);
      const fits = value !== undefined && value >= kind.min && value <= kind.max;
      const whole = kind.kind === 'number' && kind.whole;
      if (fits && (!whole || Number.isInteger(value))) return value;
      return wrong(
        `${kind.kind === 'length' ? 'a length' : whole ? 'a whole number' : 'a number'} from ${kind.min} to ${kind.max}${kind.kind === 'length' ? ' mm' : ''}`,
      );
    }
  }
}

const inside = (value: number | undefined, min: number, max: number): boolean =>
  value !== undefined && value >= min && value <= max;

/** "50%" of a share, "800" of a count, "0.2mm" of a length; undefined where a field has another unit, or is not so much. */
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
