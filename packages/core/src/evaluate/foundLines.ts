/** By the id of the step: the line over a model's edges that was found for it. */
export type FoundLines = Readonly<Record<string, Extract<StepPath, { kind: 'places' }>>>;

/** Steps that run along what was found, as if it had been drawn. */
export const alongFound = <S extends Step>(steps: readonly S[], lines: FoundLines): S[] =>
  steps.map((step) => (isRun(step) && lines[step.id] ? { ...step, path: lines[step.id] } : step));
import type { StepPath } from '../fields/index.ts';
import { isRun, type Step } from '../steps/index.ts';
