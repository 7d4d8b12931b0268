import { choice, count, flag, length, piece, share } from '../../fields/index.ts';
import type { StepOf } from '../definition.ts';

const deep = { step: 0.1 };

export const CUT = {
  /** id of the other piece; empty: none yet */
  target: piece(),
  /** `lie`: it lies there and cuts nothing */
  operation: choice(['lie', 'engrave', 'raise', 'through', 'imprint', 'join', 'subtract', 'intersect'], {
    usual: 'engrave',
  }),
  /** how far under the surface: the floor of what is engraved, the back of what is joined */
  sinkMm: length(0, 10_000, { usual: 2, step: 0.5 }),
  /** radius of the rounding where lettering meets the surface */
  softMm: length(0, 1000, deep),
  softSteps: count(1, 16, { usual: 4 }),
  /** the rounding lies outside the outline, or inside so that nothing is wider than drawn */
  softSide: choice(['outward', 'inward']),
  /** how far an imprint is raised */
  raiseMm: length(0, 1000, deep),
  /** how much narrower what stands out is at its top, of its height */
  leanPercent: share(-100, 200, { step: 5 }),
  /** parts that hang on nothing after the cut, like the inside of an O */
  loose: choice(['keep', 'drop']),
  /** borders may move by two hundredths of the lettering's depth to clear slivers away */
  clean: flag(true),
  /** width of a ring of quads beside the cut, in the faces of what is cut */
  ringMm: length(0, 1000, deep),
};
export type CutStep = StepOf<'cut', typeof CUT>;
/** What does cut, as against what merely lies there. */
export type CuttingStep = CutStep & { operation: Exclude<CutStep['operation'], 'lie'> };

export const isCut = (step: { kind: string }): step is CutStep => step.kind === 'cut';
export const isCutting = (step: { kind: string }): step is CuttingStep => isCut(step) && step.operation !== 'lie';
