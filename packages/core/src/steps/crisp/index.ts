import { opening } from '../../fields/index.ts';
import { crisp as markCrisp } from '../../mesh/index.ts';
import { defineStep, refines, type StepOf } from '../definition.ts';

const CRISP = { fromDegrees: opening(30) };

/** Edges whose faces turn by more than this shade crisply, all others smoothly. */
export const crispStep = defineStep({
  kind: 'crisp',
  fields: CRISP,
  group: 'faces',
  act: refines<StepOf<'crisp', typeof CRISP>>({
    apply: (mesh, { fromDegrees }) => markCrisp(mesh, fromDegrees),
    makesCrisp: true,
  }),
  flags: { name: 'crisp', main: 'fromDegrees', turn: 11 },
});
