import { counts, flagOf, rangeOf, stepOf, STEPS, type AnyStep, type Field, type StepKind } from '@fictile/core';
import { wordsOf } from '@fictile/words';
import type { FlagKind } from './flagKinds.ts';

/** A flag that gives a value of a step. */
export interface StepFlag {
  step: StepKind;
  /** the field that it gives; undefined: one that its unit tells */
  field: string | undefined;
  kind: FlagKind;
  /** the flag that adds the step; undefined: this one does */
  of: string | undefined;
  help: string;
}

/** The field that a step's first flag gives. */
const mainOf = ({ act, flags }: AnyStep): string | undefined =>
  flags === false ? undefined : (flags.main ?? (act.does === 'moves' ? act.strength : undefined));

/** How a field is read; undefined: it is none that a flag can give. */
export function kindOf(field: Field): FlagKind | undefined {
  const { is, of, usual, parts } = field;
  const { min, max, isWhole: whole } = rangeOf(field);
  switch (is) {
    case 'length':
      return { kind: 'length', min, max };
    case 'angle':
    case 'share':
    case 'count':
    case 'number':
    case 'chance':
      return { kind: 'number', min, max, ...(whole && { whole }) };
    case 'choice':
      return { kind: 'choice', of: of ?? [] };
    case 'flag':
      return usual === true ? { kind: 'choice', of: ['on', 'off'] } : { kind: 'switch' };
    case 'row':
      return rowOf(parts ?? []);
    // a line is a file of one
    case 'variants':
      return { kind: 'file' };
    default:
      return undefined;
  }
}

function rowOf(parts: readonly Field[]): FlagKind {
  if (parts[0].is === 'angle') return { kind: 'angles' };
  return parts.length === 2 ? { kind: 'pair' } : { kind: 'point' };
}

/** The flags of a step, by their names: the one that adds it, and those of its other fields. */
function flagsOfStep(definition: AnyStep): [string, StepFlag][] {
  const { kind: step, fields, flags } = definition;
  if (flags === false) return [];
  const { help = { main: '' } } = wordsOf(step);
  const main = mainOf(definition);
  const first: FlagKind | undefined = flags.byUnit ? { kind: 'amount' } : main ? kindOf(fields[main]) : undefined;
  if (!first) throw new Error(`the first flag of ${step} gives nothing`);
  const others = Object.entries(fields).flatMap(([field, one]): [string, StepFlag][] => {
    const end = field === main ? undefined : flagOf(field, one);
    const kind = kindOf(one);
    if (end === undefined || !kind) return [];
    return [
      [
        `${flags.name}-${end}`,
        { step, field, kind, of: flags.name, help: (help as Record<string, string>)[field] ?? '' },
      ],
    ];
  });
  return [[flags.name, { step, field: main, kind: first, of: undefined, help: help.main }], ...others];
}

/** All flags of steps. */
export const STEP_FLAGS: Readonly<Record<string, StepFlag>> = Object.fromEntries(STEPS.flatMap(flagsOfStep));

export const stepFlagKinds: Readonly<Record<string, FlagKind>> = Object.fromEntries(
  Object.entries(STEP_FLAGS).map(([name, { kind }]) => [name, kind]),
);

/** The flags of steps of a group, as help lists them: what each is for, and its usual value. */
export function stepFlagHelp(group: AnyStep['group']): Record<string, readonly [text: string, usual?: string]> {
  const rows = STEPS.filter((one) => one.group === group)
    .sort(byTurn)
    .flatMap(flagsOfStep)
    .map(([name, { step, field, of, help }]): [string, readonly [string, string?]] => {
      const usual = of === undefined || field === undefined ? undefined : usualText(step, field);
      return [name, usual === undefined ? [help] : [help, usual]];
    });
  return Object.fromEntries(rows);
}

/** In the order in which flags take them. */
export const byTurn = (a: AnyStep, b: AnyStep): number => turnOf(a) - turnOf(b);
const turnOf = ({ flags }: AnyStep): number => (flags === false ? 0 : flags.turn);

/** What a field is when no flag gives it, as one would type it; undefined where it then does not count. */
export function usualText(step: StepKind, name: string): string | undefined {
  const { fields, flags, usual: begun } = stepOf(step);
  const usual: Record<string, unknown> = { ...begun(''), ...(flags !== false && flags.usual) };
  const field = fields[name];
  const value = usual[name];
  return !counts(field, usual) || value === false ? undefined : typed(field, value);
}

/** A value as one would type it. */
export function typed(field: Field, value: unknown): string {
  if (value === true) return 'on';
  if (Array.isArray(value)) return value.join(',');
  return field.unit === 'mm' && value !== 0 ? `${String(value)}mm` : String(value);
}
