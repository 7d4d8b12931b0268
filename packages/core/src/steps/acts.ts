import { lettersIn, withPieces, type Fields, type Unit } from '../fields/index.ts';
import type { Box3, Vec3 } from '../math/index.ts';
import type { ChainStep, Moving } from '../shape/index.ts';
import type { Act, Refining } from './definition.ts';
import { stepOf, type Step, type StepThat } from './registry.ts';

type ActThat<A> = Extract<Act<ChainStep>, { does: A }>;

/** How a step acts, if in a certain way. */
function actOf<A extends Act<never>['does']>(kind: string, does: A): ActThat<A> | undefined {
  const { act } = stepOf(kind);
  return act.does === does ? (act as unknown as ActThat<A>) : undefined;
}

/** Moves points and leaves faces alone. */
export type MovingStep = StepThat<'moves'>;
/** Goes by the faces there are. */
export type RefineStep = StepThat<'refines'>;
export type RepeatStep = StepThat<'copies'>;
/** Moves points, or copies them. */
export type ShapeStep = MovingStep | RepeatStep;
export type CastStep = StepThat<'casts'>;

export const isMoving = (step: Step): step is MovingStep => stepOf(step.kind).act.does === 'moves';
export const isRefining = (step: Step): step is RefineStep => stepOf(step.kind).act.does === 'refines';
export const isRepeating = (step: Step): step is RepeatStep => stepOf(step.kind).act.does === 'copies';
export const isShapeStep = (step: Step): step is ShapeStep => isMoving(step) || isRepeating(step);
export const isCasting = (step: Step): step is CastStep => stepOf(step.kind).act.does === 'casts';

/** How a step moves points. Throws for those that do not. */
export function movingOf({ kind }: ChainStep): Moving<ChainStep> {
  const act = actOf(kind, 'moves');
  if (!act) throw new Error(`${kind} moves no points`);
  return act;
}

/** How a step makes faces anew by those there are. Throws for those that do not. */
export function refiningOf({ kind }: ChainStep): Refining<ChainStep> {
  const act = actOf(kind, 'refines');
  if (!act) throw new Error(`${kind} goes by no faces`);
  return act;
}

/** Where copies of something with a box stand, each against the first. */
export const copyShifts = (step: RepeatStep, box: Box3): Vec3[] => actOf(step.kind, 'copies')?.shifts(step, box) ?? [];

/** The value that a step's strength lies in; undefined for those that have none. */
export function strengthField(step: Step): string | undefined {
  return isMoving(step) ? (movingOf(step).strength as string | undefined) : undefined;
}

/** What a kind of step's strength is measured in. */
export function strengthUnit(kind: string): Unit | '' {
  const { fields, act } = stepOf(kind);
  const field = act.does === 'moves' ? (act.strength as string | undefined) : undefined;
  return (field && (fields as Fields)[field].unit) || '';
}

/** The step as strong as a value says. */
export function withStrength<S extends Step>(step: S, value: number): S {
  const field = strengthField(step);
  return field ? { ...step, [field]: value } : step;
}

/** The step with other ids of the pieces that it names. */
export const withOtherPieces = (step: Step, rename: (id: string) => string): Step =>
  withPieces(stepOf(step.kind).fields, step, rename);

/** Ids of the letters that a step asks for by name. */
export const lettersOf = (step: Step): number[] =>
  lettersIn(stepOf(step.kind).fields, step as unknown as Record<string, unknown>);
