import {
  fieldAt,
  handleOf,
  stepOf,
  type FieldRange,
  type ShapeStep,
  type ShownPiece,
  type StepHandle,
} from '@fictile/core';

/** Across, up, towards the viewer; mm, in the flat layout. */
export type Place = [number, number, number];
type Flat = NonNullable<ShownPiece['flat']>;

/** A value that is pulled: what it is, and what the step becomes with another one. */
export interface HeldPoint<H extends StepHandle['does']> {
  handle: Extract<StepHandle, { does: H }>;
  value: number;
  isLength: boolean;
  take: (value: number) => ShapeStep;
}

type AnyHeld = { [H in StepHandle['does']]: HeldPoint<H> }[StepHandle['does']];

/** Where a step is held in the view, and how its value is taken; undefined for those that are not. */
export function heldOf(step: ShapeStep, flat: Flat): AnyHeld | undefined {
  const handle = handleOf(step, flat);
  if (!handle) return undefined;
  const { field } = handle;
  const part = handle.does === 'pull' ? handle.part : undefined;
  const { range, unit } = fieldAt(stepOf(step.kind).fields, part === undefined ? [field] : [field, part]);
  const values = step as unknown as Record<string, number | number[]>;
  const whole = values[field];
  const take = (value: number): ShapeStep => {
    const within = inRange(value, range);
    const next = part === undefined ? within : (whole as number[]).map((old, k) => (k === part ? within : old));
    return { ...step, [field]: next } as ShapeStep;
  };
  const value = part === undefined ? (whole as number) : (whole as number[])[part];
  return { handle, value, isLength: unit === 'mm', take } as AnyHeld;
}

const inRange = (value: number, range: FieldRange | undefined): number =>
  range ? Math.min(range.max, Math.max(range.min, value)) : value;
