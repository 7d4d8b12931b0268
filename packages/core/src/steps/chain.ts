import {
  holdingHeight as holdsUpTo,
  linkedUp,
  softnessOf as sigmaOf,
  spanOf,
  type ChainFrame,
  type PointMap,
  type ShapeChain,
  type Span,
} from '../shape/index.ts';
import type { Box3 } from '../math/index.ts';
import { atTime } from './atTime.ts';
import { isMoving, movingOf, type MovingStep, type ShapeStep } from './acts.ts';
import type { OntoStep } from './onto/fields.ts';
import { stepOf, type Step } from './registry.ts';

export interface StepFrame extends Omit<ChainFrame, 'movingOf' | 'onto'> {
  /** of the document's time; left out: 0 */
  seconds?: number;
  /** how a piece with a box, as it comes to the step, is laid onto another; undefined: it is not */
  onto?: (step: OntoStep, box: Box3) => PointMap | undefined;
}

/** All steps that move points as one chain; what copies is done before. */
export const chainOf = (steps: readonly ShapeStep[], { seconds = 0, ...frame }: StepFrame): ShapeChain =>
  linkedUp(
    steps.filter(isMoving).map((step) => atTime(step, seconds)),
    { ...frame, movingOf } as ChainFrame,
  );

/** How far a step moves points outward at most, mm; undefined: it moves none outward. */
export const outwardMm = (step: Step): number | undefined =>
  isMoving(step) ? movingOf(step).displaces?.outwardMm(step) : undefined;

/** The height up to which a step that moves outward can't make anything cross, mm; undefined: unknown. */
export function heightThatHolds(step: MovingStep): number | undefined {
  const { displaces } = movingOf(step);
  return displaces && holdsUpTo(step, displaces);
}

/** How softly the outward ways turn for a step that moves outward, mm. */
export function outwardSigma(step: MovingStep): number {
  const { displaces } = movingOf(step);
  return displaces ? sigmaOf(step, displaces) : 0;
}

const ALL = { axis: 'x', whole: true, fromMm: 0, toMm: 0 } as const;

/**
 * The axis that a step runs along in the flat layout, and from where to where; those without limits run over all of the
 * line.
 */
export function limitsOf(step: ShapeStep, flat: Box3): Span {
  if (!('whole' in step)) return spanOf(ALL, flat);
  const runs = stepOf(step.kind).runs as ((step: Step) => 'x' | 'y' | 'z') | undefined;
  return spanOf({ ...step, axis: runs ? runs(step) : step.axis }, flat);
}
