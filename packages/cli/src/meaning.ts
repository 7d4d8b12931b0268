import {
  ASKS_NOTHING,
  FILE_FIELDS,
  FILE_NEEDS,
  fileFlagOf,
  holding,
  stepOf,
  type Field,
  type FileField,
  type MeshFormat,
} from '@fictile/core';
import type { FlagName, Flags } from './flags.ts';
import { fault } from './messages.ts';
import { STEP_FLAGS } from './stepFlags.ts';

/** What a flag needs to say anything: one of some flags, one of them with some values, or some formats of the file. */
interface Needs {
  one?: readonly string[];
  of?: readonly string[];
  formats?: readonly MeshFormat[];
  /** a value that asks for nothing, so that it is true in every format */
  nothing?: string | number;
}

/** A flag for whose sake another is asked for, with the code that this always had. */
const MISSES: ReadonlySet<string> = new Set(['around-side']);

const withOne = (...one: FlagName[]): Needs => ({ one });

/**
 * Flags that say nothing by themselves, beside those of steps. A new one that belongs to another is entered here, and
 * nowhere else.
 */
const NEEDS: { readonly [N in FlagName]?: Needs } = {
  'around-side': withOne('around'),
  'wire-sides': withOne('wire'),
  'wire-section': withOne('wire'),
  'side-amount': withOne('side'),
  'side-steps': withOne('side'),
  'swell-curve': withOne('swell', 'swell-back'),
  'swell-steps': withOne('swell', 'swell-back'),
  'curve-toward': withOne('curve'),
  about: withOne('twist', 'taper', 'shear', 'curve'),
  'face-size': { one: ['faces'], of: ['grid', 'flow'] },
  bands: { one: ['faces'], of: ['bands'] },
  'bands-axis': { one: ['faces'], of: ['bands'] },
  method: withOne('onto'),
  from: withOne('onto'),
  toward: withOne('onto'),
  lift: withOne('onto'),
  guide: withOne('onto'),
  'guide-through': withOne('onto'),
  overhang: withOne('onto'),
  rigid: withOne('onto'),
  turn: withOne('onto'),
  'onto-letters': withOne('onto'),
  operation: withOne('with'),
  sink: withOne('with'),
  soften: withOne('with'),
  'soften-steps': withOne('soften'),
  'soften-side': withOne('soften'),
  lean: { one: ['operation'], of: ['raise', 'imprint'] },
  place: withOne('with'),
  normal: withOne('with'),
  loose: withOne('with'),
  'quads-beside': withOne('with'),
  up: withOne('onto', 'with'),
  'in-unit': withOne('onto', 'with'),
  'in-up': withOne('onto', 'with'),
  'close-holes': withOne('onto', 'with'),
  ...ofFiles(),
};

/** Of what is chosen for a file. */
function ofFiles(): Partial<Record<FlagName, Needs>> {
  const names = Object.keys(FILE_FIELDS) as FileField[];
  const rows = names.flatMap((name): [string, Needs][] => {
    const flag = fileFlagOf(name);
    const holds = FILE_NEEDS[name];
    // triangles are what such formats hold anyway
    if (flag === undefined || holds === undefined || holds === 'polygons') return [];
    const { when = {}, pairedWith, usual } = FILE_FIELDS[name] as Field;
    const [met] = Object.entries(when);
    if (pairedWith !== undefined) return [[flag, { one: [fileFlagOf(pairedWith as FileField) ?? ''] }]];
    const counts = met && { one: [fileFlagOf(met[0] as FileField) ?? ''], of: met[1] as string[] };
    const nothing = ASKS_NOTHING.has(name) ? { nothing: usual as string | number } : {};
    return [[flag, { ...counts, formats: holding(holds), ...nothing }]];
  });
  return Object.fromEntries(rows);
}

/** A value of a step says nothing without the step, nor without the value that it counts with. */
function needsOfStep(name: string): Needs {
  const { step, field, of } = STEP_FLAGS[name];
  if (of === undefined || field === undefined) return {};
  const { fields } = stepOf(step);
  const [met] = Object.entries(fields[field].when ?? {}).filter(([other]) => fields[other].flag !== false);
  if (!met) return { one: [of] };
  const [other] = Object.entries(STEP_FLAGS).find(([, one]) => one.step === step && one.field === met[0]) ?? [of];
  return { one: [other], of: [String(met[1])] };
}

/** What a flag needs. */
const needsOf = (name: string): Needs =>
  Object.hasOwn(STEP_FLAGS, name) ? needsOfStep(name) : (NEEDS[name as FlagName] ?? {});

const listed = (names: readonly string[]): string => names.join(', ').replace(/, ([^,]*)$/, ' or $1');

/** A flag that would be passed over is an error that names what it lacks. */
export function refuseMeaningless(flags: Flags, format: MeshFormat): void {
  for (const name of Object.keys(flags).filter((one) => flags[one] !== undefined)) {
    const { one, of, formats, nothing } = needsOf(name);
    if (formats && !formats.includes(format) && flags[name] !== nothing)
      throw fault(
        'FLAG_VALUE',
        `--${name} says nothing in .${format}: it goes into ${listed(formats.map((f) => `.${f}`))}. Choose ` +
          'another --out, or leave it out.',
      );
    if (!one || one.some((other) => (of ? of.includes(String(flags[other])) : flags[other] !== undefined))) continue;
    const lacks = of ? `--${one[0]} ${listed(of)}` : listed(one.map((other) => `--${other}`));
    throw fault(
      MISSES.has(name) ? 'FLAG_MISSING' : 'FLAG_VALUE',
      `--${name} says nothing without ${lacks}. Give both, or leave it out.`,
    );
  }
}
