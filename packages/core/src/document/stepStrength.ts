import type { Step } from './stepSchema.ts';

const FIELDS = ['angleDegrees', 'heightMm', 'percent'] as const;
type Field = (typeof FIELDS)[number];

/** The value that a step's strength lies in; undefined for those that have none. */
export const strengthField = (step: Step): Field | undefined => FIELDS.find((field) => field in step);

export const strengthOf = (step: Step): number | undefined => {
  const field = strengthField(step);
  return field && (step as unknown as Record<Field, number>)[field];
};

/** The step as strong as a value says. */
export function withStrength<S extends Step>(step: S, value: number): S {
  const field = strengthField(step);
  return field ? { ...step, [field]: value } : step;
}
