import {
  firstCurve,
  MM_PER_UNIT,
  readDrawing,
  STEPS,
  usualStep,
  type AnyStep,
  type Field,
  type FreeCurve,
  type Step,
} from '@fictile/core';
import { amountOf, lengthPair, lengthTriple, numberTriple } from './flagKinds.ts';
import type { Flags } from './flags.ts';
import { readGiven } from './givenFile.ts';
import { fault, faultOf } from './messages.ts';
import { byTurn, STEP_FLAGS } from './stepFlags.ts';

/** The steps of a group that flags ask for, in the order in which they are taken. */
export async function stepsOf(flags: Flags, group: AnyStep['group']): Promise<Step[]> {
  const asked = STEPS.filter(
    (one) => one.group === group && one.flags !== false && flags[one.flags.name] !== undefined,
  );
  const steps: Step[] = [];
  for (const definition of asked.sort(byTurn)) steps.push(await stepFrom(definition, flags));
  return steps;
}

/** Steps are named after their flags: scripts read these names in remarks. */
const idOf = (flag: string): string => flag.replace(/-along$/, '');

type Values = Record<string, unknown>;

async function stepFrom(definition: AnyStep, flags: Flags): Promise<Step> {
  const { kind, fields, flags: own } = definition;
  if (own === false) throw new Error(`${kind} has no flags`);
  const given: Values = own.byUnit ? byUnit(String(flags[own.name]), definition) : {};
  for (const [name, { step, field }] of Object.entries(STEP_FLAGS)) {
    if (step !== kind || field === undefined || flags[name] === undefined) continue;
    given[field] = await read(fields[field], flags[name]);
    goTogether(name, definition, flags);
  }
  return { ...usualStep(kind, idOf(own.name)), ...own.usual, ...implied(definition, given), ...given } as Step;
}

/** What a value makes count says so itself, where no flag does. */
function implied({ fields }: AnyStep, given: Values): Values {
  const needs = Object.keys(given).flatMap((name) => Object.entries(fields[name].when ?? {}));
  return Object.fromEntries(needs.filter(([name]) => fields[name].flag === false));
}

function goTogether(name: string, { fields }: AnyStep, flags: Flags): void {
  const { step, field, of } = STEP_FLAGS[name];
  const other = field === undefined ? undefined : fields[field].pairedWith;
  const [pair] =
    Object.entries(STEP_FLAGS).find(([, one]) => one.step === step && one.field === other && one.of === of) ?? [];
  if (other !== undefined && pair !== undefined && flags[pair] === undefined) {
    const [a, b] = [name, pair].sort();
    throw fault('FLAG_VALUE', `--${a} and --${b} go together. Give both, or neither.`);
  }
}

/** The unit of an amount tells which field it is, and so what the choice is. */
function byUnit(text: string, { fields, flags }: AnyStep): Values {
  const choice = flags === false ? undefined : flags.byUnit;
  const found = Object.entries(fields).find(([, field]) => field.when && amountOf(text, field) !== undefined);
  if (choice === undefined || !found) return {};
  const [name, field] = found;
  return { [choice]: field.when?.[choice], [name]: amountOf(text, field) };
}

/** What a flag has given, as the document has it. */
async function read(field: Field, given: unknown): Promise<unknown> {
  switch (field.is) {
    case 'flag':
      return given === true || given === 'on';
    case 'row':
      return rowFrom(field, String(given));
    case 'variants':
      return { kind: 'drawn', curve: await readCurve(String(given)) };
    default:
      return given;
  }
}

function rowFrom({ parts = [] }: Field, text: string): number[] | undefined {
  if (parts[0].is === 'angle') return numberTriple(text);
  return parts.length === 2 ? lengthPair(text) : lengthTriple(text);
}

/** The first path of a drawing. */
async function readCurve(path: string): Promise<FreeCurve> {
  const bytes = await readGiven(path, `The line ${path}`);
  const read = await readDrawing(bytes);
  if (!read.ok) throw faultOf(read.error);
  const curve = firstCurve(read.value.shape, MM_PER_UNIT);
  if (curve) return curve;
  throw fault('FLAG_VALUE', `The first path of ${path} has too many points for a line. Simplify it.`);
}
