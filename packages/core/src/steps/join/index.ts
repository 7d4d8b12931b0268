import { length } from '../../fields/index.ts';
import { joinPoints } from '../../refine/index.ts';
import { defineStep, refines, type StepOf } from '../definition.ts';

const JOIN = { withinMm: length(0, 1000, { usual: 0.01, step: 0.01, moves: 'no' }) };
export type JoinStep = StepOf<'join', typeof JOIN>;
export const isJoin = (step: { kind: string }): step is JoinStep => step.kind === join.kind;

/** Points nearer to each other than this become one. */
export const join = defineStep({
  kind: 'join',
  fields: JOIN,
  group: 'faces',
  act: refines<JoinStep>({ apply: (mesh, { withinMm }) => joinPoints(mesh, withinMm) }),
  flags: { name: 'join', main: 'withinMm', turn: 8 },
});
