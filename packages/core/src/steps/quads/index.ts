import { opening } from '../../fields/index.ts';
import { toQuads } from '../../refine/index.ts';
import { defineStep, refines, type StepOf } from '../definition.ts';

const QUADS = { withinDegrees: opening(10) };

/** Pairs of triangles into quads where they lie nearly in one plane. */
export const quads = defineStep({
  kind: 'quads',
  fields: QUADS,
  group: 'faces',
  act: refines<StepOf<'quads', typeof QUADS>>({ apply: (mesh, { withinDegrees }) => toQuads(mesh, withinDegrees) }),
  flags: { name: 'quads', main: 'withinDegrees', turn: 10 },
});
