import { LEVELS_AS, LIMITS, parseLength, USUAL_KINDS, USUAL_SIDE_KINDS } from '@fictile/core';
import { fault } from './messages.ts';

/** How a flag's value is read. */
export type FlagKind =
  | { kind: 'text' }
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
  /** a length, or auto */
  | { kind: 'size' }
  /** a share like 50%, or a count */
  | { kind: 'amount' };

const length = (min = 0, max = 10_000) => ({ kind: 'length', min, max }) as const;
const shape = (...of: readonly string[]) => ({ kind: 'shape', of }) as const;
const degrees = (most: number) => ({ kind: 'number', min: -most, max: most }) as const;
const choice = <const C extends readonly string[]>(...of: C) => ({ kind: 'choice', of }) as const;

/** The flags of `make`, which are also the fields of a case (there in camelCase). A contract: add, but do not rename. */
export const MAKE_FLAGS = {
  text: { kind: 'text' },
  svg: { kind: 'text' },
  font: { kind: 'text' },
  out: { kind: 'text' },
  weight: { kind: 'number', min: 1, max: 1000 },
  size: length(0.1),
  align: choice('left', 'center', 'right', 'justify'),
  anchor: choice('baseline', 'top', 'middle', 'bottom'),
  'depth-anchor': choice('back', 'middle', 'front'),
  tracking: { kind: 'number', min: -500, max: 5000 },
  leading: { kind: 'number', min: 10, max: 1000 },
  kerning: choice('on', 'off'),
  features: { kind: 'text' },
  lang: { kind: 'text' },
  direction: choice('ltr', 'rtl', 'auto'),
  letters: choice('joined', 'apart'),
  axis: { kind: 'text' },
  slant: { kind: 'number', min: -60, max: 60 },
  'width-scale': { kind: 'number', min: 10, max: 1000 },
  'height-scale': { kind: 'number', min: 10, max: 1000 },
  'fit-width': length(0.1, 100_000),
  'fit-height': length(0.1, 100_000),
  around: length(0.1, 100_000),
  'around-side': choice('outside', 'center', 'inside'),
  outline: length(0.01, 1000),
  wire: length(0.01, 1000),
  'wire-section': choice('polygon', 'edge'),
  'wire-sides': { kind: 'number', min: 4, max: 64, whole: true },
  depth: length(),
  edge: shape(...USUAL_KINDS),
  'edge-in': length(0, 1000),
  'edge-deep': length(0, 1000),
  'edge-steps': { kind: 'number', min: 1, max: 64, whole: true },
  'edge-adds-depth': { kind: 'switch' },
  'edge-side': choice('inward', 'outward'),
  'back-edge': shape('same', ...USUAL_KINDS),
  embolden: length(-1000, 1000),
  corners: choice('sharp', 'cut', 'round'),
  'steps-by': choice('count', 'tolerance'),
  side: shape(...USUAL_SIDE_KINDS),
  'side-amount': length(0, 1000),
  'side-steps': { kind: 'number', min: 1, max: 64, whole: true },
  divisions: { kind: 'number', min: 1, max: 200, whole: true },
  twist: degrees(3600),
  taper: { kind: 'number', min: -1000, max: 99 },
  shear: { kind: 'pair' },
  curve: degrees(85),
  'curve-toward': degrees(3600),
  about: choice('whole', 'letter'),
  swell: length(0, 1000),
  'swell-back': length(0, 1000),
  'swell-curve': choice('round', 'soft', 'straight'),
  'swell-steps': { kind: 'number', min: 1, max: 64, whole: true },
  tolerance: length(0.0005, 10),
  faces: choice('plain', 'bands', 'grid', 'flow'),
  'face-size': { kind: 'size' },
  bands: { kind: 'number', min: 1, max: 1000, whole: true },
  'bands-axis': choice('x', 'y'),
  support: length(0, 1000),
  bend: degrees(3600),
  'bend-axis': choice('x', 'y', 'z'),
  'bend-from': length(-100_000, 100_000),
  'bend-to': length(-100_000, 100_000),
  'bend-center': { kind: 'point' },
  'twist-along': degrees(3600),
  'taper-along': { kind: 'number', min: -1000, max: 99 },
  noise: length(-10_000, 10_000),
  'noise-size': length(0.1, 100_000),
  'noise-seed': { kind: 'number', min: 0, max: 4294967295, whole: true },
  'noise-outward': { kind: 'switch' },
  wave: length(-10_000, 10_000),
  'wave-length': length(0.1, 100_000),
  along: { kind: 'text' },
  'along-length': choice('own', 'stretch'),
  'along-offset': length(-100_000, 100_000),
  repeat: { kind: 'number', min: 1, max: 200, whole: true },
  'repeat-gap': length(-10_000, 10_000),
  onto: { kind: 'text' },
  'onto-letters': { kind: 'text' },
  method: choice('project', 'nearest', 'wrap'),
  from: { kind: 'text' },
  toward: { kind: 'text' },
  up: { kind: 'text' },
  lift: length(-10_000, 10_000),
  turn: degrees(3600),
  guide: choice('straight', 'level', 'edge', 'drawn'),
  'guide-through': { kind: 'text' },
  overhang: choice('straight', 'follow', 'leave'),
  rigid: { kind: 'switch' },
  with: { kind: 'text' },
  operation: choice('engrave', 'raise', 'through', 'intersect', 'join', 'imprint'),
  sink: length(0, 10_000),
  soften: length(0, 1000),
  'soften-steps': { kind: 'number', min: 1, max: 16, whole: true },
  'soften-side': choice('outward', 'inward'),
  lean: { kind: 'number', min: -100, max: 200 },
  place: { kind: 'text' },
  normal: { kind: 'text' },
  loose: choice('keep', 'drop'),
  'quads-beside': length(0, 1000),
  'close-holes': { kind: 'switch' },
  'in-unit': choice('mm', 'cm', 'm', 'in'),
  'in-up': choice('y', 'z'),
  reduce: { kind: 'amount' },
  subdivide: { kind: 'number', min: 1, max: 4, whole: true },
  'subdivide-kind': choice('straight', 'rounded'),
  triangles: { kind: 'switch' },
  weld: { kind: 'switch' },
  nodes: choice('one', 'letters'),
  uv: choice('none', 'words', 'letters', 'packed'),
  'uv-tile': length(0.01, 100000),
  tangents: { kind: 'switch' },
  levels: { kind: 'number', min: 1, max: 6, whole: true },
  'levels-as': choice(...LEVELS_AS),
  seed: { kind: 'number', min: 0, max: 4294967295, whole: true },
  'out-unit': choice('mm', 'cm', 'm', 'in'),
  'out-up': choice('y', 'z'),
  quiet: { kind: 'switch' },
  json: { kind: 'switch' },
} as const satisfies Record<string, FlagKind>;

export type FlagName = keyof typeof MAKE_FLAGS;

/** Values by flag: numbers in millimetres and plain numbers, texts, true. */
export type Flags = { [N in FlagName]?: FlagValue<(typeof MAKE_FLAGS)[N]> };
type FlagValue<K extends FlagKind> = K extends { kind: 'text' | 'shape' | 'pair' | 'point' | 'size' | 'amount' }
  ? string
  : K extends { kind: 'switch' }
    ? true
    : K extends { kind: 'choice'; of: readonly (infer C)[] }
      ? C
      : number;

export function readFlag(name: string, raw: string | number | boolean): string | number | true {
  if (!isFlag(name))
    throw fault('FLAG_UNKNOWN', `There is no flag --${name}. Look at docs/command-line.md for those there are.`);
  const kind: FlagKind = MAKE_FLAGS[name];
  const wrong = (wanted: string): never => {
    throw fault('FLAG_VALUE', `--${name} is "${raw}"; it takes ${wanted}. Change it.`);
  };
  switch (kind.kind) {
    case 'switch':
      return raw === true ? true : wrong('no value');
    case 'text':
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
    case 'size':
      return raw === 'auto' || inside(parseLength(String(raw)), 0.001, 10_000)
        ? String(raw)
        : wrong('auto or a length from 0.001 to 10000 mm');
    case 'amount':
      return amountOf(String(raw))
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

/** "50%" -> a share, "800" -> a count, "0.2mm" -> an error */
export function amountOf(
  text: string,
):
  | { by: 'share'; sharePercent: number }
  | { by: 'count'; count: number }
  | { by: 'error'; errorMm: number }
  | undefined {
  if (/[a-z]$/i.test(text)) {
    const errorMm = parseLength(text);
    return errorMm !== undefined && inside(errorMm, 0.0001, 1000) ? { by: 'error', errorMm } : undefined;
  }
  const value = Number(text.replace(/%$/, ''));
  if (text.trim() === '' || !Number.isFinite(value)) return undefined;
  if (text.endsWith('%')) return inside(value, 0.1, 100) ? { by: 'share', sharePercent: value } : undefined;
  return Number.isInteger(value) && inside(value, 4, LIMITS.meshFaces) ? { by: 'count', count: value } : undefined;
}

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

const isFlag = (name: string): name is FlagName => Object.hasOwn(MAKE_FLAGS, name);

export function isSwitch(name: string): boolean {
  if (!isFlag(name)) return false;
  const kind: FlagKind = MAKE_FLAGS[name];
  return kind.kind === 'switch';
}

/** The fields of a case, in camelCase as a batch has them, to flags. */
export function flagsOf(record: Readonly<Record<string, unknown>>): Flags {
  const flags: Record<string, unknown> = {};
  for (const [key, raw] of Object.entries(record)) {
    const name = key.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
    if (typeof raw !== 'string' && typeof raw !== 'number' && typeof raw !== 'boolean') {
      throw fault('FLAG_VALUE', `"${key}" holds neither a text nor a number. Change it.`);
    }
    flags[name] = readFlag(name, raw);
  }
  return flags as Flags;
}
