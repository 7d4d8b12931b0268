import { LEVELS_AS, USUAL_KINDS, USUAL_SIDE_KINDS } from '@fictile/core';
import { readAs, type FlagKind } from './flagKinds.ts';
import { fault } from './messages.ts';
import { stepFlagKinds } from './stepFlags.ts';

const length = (min = 0, max = 10_000) => ({ kind: 'length', min, max }) as const;
const shape = (...of: readonly string[]) => ({ kind: 'shape', of }) as const;
const degrees = (most: number) => ({ kind: 'number', min: -most, max: most }) as const;
const choice = <const C extends readonly string[]>(...of: C) => ({ kind: 'choice', of }) as const;

/** The flags of `make` beside those of steps; also the fields of a case (there in camelCase). A contract: add, but do not rename. */
export const MAKE_FLAGS = {
  text: { kind: 'text' },
  svg: { kind: 'file' },
  font: { kind: 'font' },
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
  onto: { kind: 'file' },
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
  with: { kind: 'file' },
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

/** All flags of `make`. */
export const ALL_FLAGS: Readonly<Record<string, FlagKind>> = { ...MAKE_FLAGS, ...stepFlagKinds };

/** Values by flag: numbers in millimetres and plain numbers, texts, true. Those of steps are read by their fields. */
export type Flags = { [N in FlagName]?: FlagValue<(typeof MAKE_FLAGS)[N]> } & Readonly<Record<string, unknown>>;
type FlagValue<K extends FlagKind> = K extends {
  kind: 'text' | 'file' | 'font' | 'shape' | 'pair' | 'point' | 'size' | 'amount';
}
  ? string
  : K extends { kind: 'switch' }
    ? true
    : K extends { kind: 'choice'; of: readonly (infer C)[] }
      ? C
      : number;

export function readFlag(name: string, raw: string | number | boolean): string | number | true {
  if (!isFlag(name))
    throw fault('FLAG_UNKNOWN', `There is no flag --${name}. Look at docs/command-line.md for those there are.`);
  return readAs(name, ALL_FLAGS[name], raw);
}

const isFlag = (name: string): boolean => Object.hasOwn(ALL_FLAGS, name);

export const isSwitch = (name: string): boolean => isFlag(name) && ALL_FLAGS[name].kind === 'switch';

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
