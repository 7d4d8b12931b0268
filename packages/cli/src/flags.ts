import { parseLength } from '@fictile/core';
import { fault } from './messages.ts';

/** How a flag's value is read. */
export type FlagKind =
  | { kind: 'text' }
  | { kind: 'switch' }
  | { kind: 'length'; min: number; max: number }
  | { kind: 'number'; min: number; max: number; whole?: boolean }
  | { kind: 'choice'; of: readonly string[] };

const length = (min = 0, max = 10_000) => ({ kind: 'length', min, max }) as const;
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
  'wire-sides': { kind: 'number', min: 4, max: 64, whole: true },
  depth: length(),
  edge: choice('plain', 'chamfer', 'round', 'cove', 'step', 'ogee', 'bead'),
  'edge-in': length(0, 1000),
  'edge-deep': length(0, 1000),
  'edge-steps': { kind: 'number', min: 1, max: 64, whole: true },
  'edge-adds-depth': { kind: 'switch' },
  'back-edge': choice('plain', 'same', 'chamfer', 'round', 'cove', 'step', 'ogee', 'bead'),
  side: choice('straight', 'bulge', 'waist', 'v'),
  'side-amount': length(0, 1000),
  'side-steps': { kind: 'number', min: 1, max: 64, whole: true },
  divisions: { kind: 'number', min: 1, max: 200, whole: true },
  tolerance: length(0.0005, 10),
  faces: choice('plain'),
  triangles: { kind: 'switch' },
  weld: { kind: 'switch' },
  nodes: choice('one', 'letters'),
  seed: { kind: 'number', min: 0, max: 4294967295, whole: true },
  'out-unit': choice('mm', 'cm', 'm', 'in'),
  'out-up': choice('y', 'z'),
  quiet: { kind: 'switch' },
  json: { kind: 'switch' },
} as const satisfies Record<string, FlagKind>;

export type FlagName = keyof typeof MAKE_FLAGS;

/** Values by flag: numbers in millimetres and plain numbers, texts, true. */
export type Flags = { [N in FlagName]?: FlagValue<(typeof MAKE_FLAGS)[N]> };
type FlagValue<K extends FlagKind> = K extends { kind: 'text' }
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
