import {
  ALONG,
  chance,
  CONTOURS,
  CUT,
  EDGE,
  FACES,
  FIT,
  FONT,
  MODEL,
  ONTO,
  SIDE,
  SOLID,
  SWELL,
  WORDS,
  WORD_LINES,
  FILE_FIELDS,
  rangeOf,
  USUAL_KINDS,
  USUAL_SIDE_KINDS,
  type Field,
} from '@fictile/core';
import { readAs, type FlagKind } from './flagKinds.ts';
import { fault } from './messages.ts';
import { stepFlagKinds, typed } from './stepFlags.ts';

const bounds = (field: Field) => {
  const { min, max } = rangeOf(field);
  return { min, max };
};
const usually = (field: Field) => ({ usual: typed(field, field.usual) });
const length = (field: Field<number>) => ({ kind: 'length', ...bounds(field), ...usually(field) }) as const;
const number = (field: Field<number>) =>
  ({ kind: 'number', ...bounds(field), ...usually(field), whole: rangeOf(field).isWhole }) as const;
const one = <T extends string>(field: Field<T>) =>
  ({ kind: 'choice', of: (field.of ?? []) as readonly T[], ...usually(field) }) as const;
const shape = (...of: readonly string[]) => ({ kind: 'shape', of }) as const;
const choice = <const C extends readonly string[]>(...of: C) => ({ kind: 'choice', of }) as const;

/**
 * The flags of `make` beside those of steps; also the fields of a case (there in camelCase). A contract: add, but do
 * not rename.
 */
export const MAKE_FLAGS = {
  text: { kind: 'text' },
  svg: { kind: 'file' },
  font: { kind: 'font' },
  out: { kind: 'text' },
  weight: number(FONT.weight),
  size: length(WORDS.sizeMm),
  align: one(WORDS.align),
  anchor: one(WORDS.anchor),
  'depth-anchor': one(WORDS.depthAnchor),
  tracking: number(WORDS.tracking),
  leading: number(WORDS.leadingPercent),
  kerning: choice('on', 'off'),
  features: { kind: 'text' },
  lang: { kind: 'text' },
  direction: one(WORDS.direction),
  letters: one(WORDS.letters),
  axis: { kind: 'text' },
  slant: number(WORDS.slantDegrees),
  'width-scale': number(WORDS.widthPercent),
  'height-scale': number(WORDS.heightPercent),
  'fit-width': length(FIT.widthMm),
  'fit-height': length(FIT.heightMm),
  around: length(WORD_LINES.circle.radiusMm),
  'around-side': one(WORD_LINES.circle.side),
  outline: length(CONTOURS.hollow.wallMm),
  wire: length(CONTOURS.wire.thickMm),
  'wire-section': one(CONTOURS.wire.section),
  'wire-sides': number(CONTOURS.wire.sides),
  depth: length(SOLID.depthMm),
  edge: shape(...USUAL_KINDS),
  'edge-in': length(EDGE.inMm),
  'edge-deep': length(EDGE.deepMm),
  'edge-steps': number(EDGE.steps),
  'edge-adds-depth': { kind: 'switch' },
  'edge-side': one(SOLID.edgeSide),
  'back-edge': shape('same', ...USUAL_KINDS),
  embolden: length(SOLID.emboldenMm),
  corners: one(SOLID.corners),
  'steps-by': one(SOLID.stepsBy),
  side: shape(...USUAL_SIDE_KINDS),
  'side-amount': length(SIDE.amountMm),
  'side-steps': number(SIDE.steps),
  divisions: number(SIDE.divisions),
  twist: number(ALONG.twistDegrees),
  taper: number(ALONG.taperPercent),
  shear: { kind: 'pair' },
  curve: number(ALONG.curveDegrees),
  'curve-toward': number(ALONG.towardDegrees),
  about: one(ALONG.about),
  swell: length(SWELL.frontMm),
  'swell-back': length(SWELL.backMm),
  'swell-curve': one(SWELL.curve),
  'swell-steps': number(SWELL.steps),
  tolerance: length(FACES.toleranceMm),
  faces: one(FACES.style),
  'face-size': { kind: 'size' },
  bands: number(FACES.bands),
  'bands-axis': one(FACES.bandsAxis),
  support: length(FACES.supportMm),
  onto: { kind: 'file' },
  'onto-letters': { kind: 'text' },
  method: choice('project', 'nearest', 'wrap'),
  from: { kind: 'text' },
  toward: { kind: 'text' },
  up: { kind: 'text' },
  lift: length(ONTO.liftMm),
  turn: number(ONTO.turnDegrees),
  guide: one(ONTO.guide),
  'guide-through': { kind: 'text' },
  overhang: one(ONTO.overhang),
  rigid: { kind: 'switch' },
  with: { kind: 'file' },
  operation: choice('engrave', 'raise', 'through', 'intersect', 'join', 'imprint'),
  sink: length(CUT.sinkMm),
  soften: length(CUT.softMm),
  'soften-steps': number(CUT.softSteps),
  'soften-side': one(CUT.softSide),
  lean: number(CUT.leanPercent),
  place: { kind: 'text' },
  normal: { kind: 'text' },
  loose: one(CUT.loose),
  'quads-beside': length(CUT.ringMm),
  'close-holes': { kind: 'switch' },
  'in-unit': one(MODEL.unit),
  'in-up': one(MODEL.up),
  triangles: { kind: 'switch' },
  weld: { kind: 'switch' },
  nodes: one(FILE_FIELDS.nodes),
  uv: one(FILE_FIELDS.uv),
  'uv-tile': length(FILE_FIELDS.uvTileMm),
  tangents: { kind: 'switch' },
  levels: number(FILE_FIELDS.levels),
  'levels-as': one(FILE_FIELDS.levelsAs),
  seed: number(chance()),
  'out-unit': one(FILE_FIELDS.unit),
  'out-up': one(MODEL.up),
  quiet: { kind: 'switch' },
  json: { kind: 'switch' },
} as const satisfies Record<string, FlagKind & { usual?: string }>;

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
