import { opening } from '../../fields/index.ts';
import { clear as cleared } from '../../refine/index.ts';
import { defineStep, refines, type StepOf } from '../definition.ts';

const CLEAR = { withinDegrees: opening(0.1, { step: 0.1 }) };

/** Faces that lie in one plane become one where that stays convex. */
export const clearStep = defineStep({
  kind: 'clear',
  fields: CLEAR,
  group: 'faces',
  act: refines<StepOf<'clear', typeof CLEAR>>({ apply: (mesh, { withinDegrees }) => cleared(mesh, withinDegrees) }),
  flags: { name: 'clear', main: 'withinDegrees', turn: 9 },
});
