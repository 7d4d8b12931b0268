export { STEPS, stepOf, stepSchema, usualStep } from './registry.ts';
export type { AnyStep, Step, StepDefinitionOf, StepKind, StepOfKind } from './registry.ts';
export type { StepFlags, StepHandle } from './definition.ts';
export {
  copyShifts,
  isCasting,
  isMoving,
  isRefining,
  isRepeating,
  isShapeStep,
  lettersOf,
  movingOf,
  refiningOf,
  strengthField,
  withOtherPieces,
  strengthUnit,
  withStrength,
} from './acts.ts';
export type { CastStep, MovingStep, RefineStep, RepeatStep, ShapeStep } from './acts.ts';
export { atTime } from './atTime.ts';
export { chainOf, heightThatHolds, limitsOf, outwardMm, outwardSigma, type StepFrame } from './chain.ts';
export { handleOf, startStep, type StartPiece } from './start.ts';
export {
  ONTO,
  BODY_SIDES,
  HELD_SIDE,
  isOnto,
  middleOfSide,
  type BodySide,
  type HeldPlace,
  type OntoStep,
} from './onto/fields.ts';
export { CUT, isCut, isCutting, type CutStep, type CuttingStep } from './cut/fields.ts';
export { isOnEdge, isRun, type EdgeStep, type RunStep } from './run/fields.ts';
export { runOf } from './run/runOf.ts';
export { isJoin } from './join/index.ts';
export { isRecast, type RecastStep } from './recast/index.ts';
