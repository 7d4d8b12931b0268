import { z } from 'zod';
import { ownEntry } from '../base/index.ts';
import type { StepDefinition } from './definition.ts';
import { STEP_LIST } from './list.ts';

type Definition = (typeof STEP_LIST)[number];
type ValueOf<D> = D extends { usual(id: string): infer S } ? S : never;

/** One thing done to a piece. */
export type Step = ValueOf<Definition>;
export type StepKind = Step['kind'];
export type StepOfKind<K extends StepKind> = Extract<Step, { kind: K }>;
/** What is known of one kind. */
export type StepDefinitionOf<K extends StepKind> = Extract<Definition, { kind: K }>;
/** The steps that act in some way. */
export type StepThat<A> = ValueOf<Extract<Definition, { act: { does: A } }>>;

/** What is known of any kind of step. */
export type AnyStep = Omit<StepDefinition, 'kind'> & { kind: StepKind };

/** Every kind, in the order of menus. */
export const STEPS = STEP_LIST as unknown as readonly AnyStep[];
const BY_KIND = Object.fromEntries(STEPS.map((one) => [one.kind, one]));

/** What is known of a kind of step. Throws for what is none. */
export function stepOf(kind: string): AnyStep {
  const found = ownEntry(BY_KIND, kind);
  if (!found) throw new Error(`there is no step ${kind}`);
  return found;
}

type Option = z.ZodObject;
export const stepSchema = z.discriminatedUnion(
  'kind',
  STEPS.map(({ schema }) => schema) as unknown as [Option, ...Option[]],
) as unknown as z.ZodType<Step>;

/** A step as it is when it is added. */
export const usualStep = <K extends StepKind>(kind: K, id: string): StepOfKind<K> =>
  stepOf(kind).usual(id) as unknown as StepOfKind<K>;
