import { defineStep, moves } from '../definition.ts';
import { pulledOut } from '../pulls.ts';
import { readable } from '../readable.ts';
import { BULGE, type BulgeStep } from './fields.ts';
import { bulgeMap } from './map.ts';

/** Fronts rise towards the middle: of the whole like a ball, or along an axis like a barrel. */
export const bulge = defineStep({
  kind: 'bulge',
  fields: BULGE,
  group: 'shape',
  act: moves<BulgeStep>({
    map: ([step], { box }) => bulgeMap(step, box),
    canFold: ({ solid }) => !solid,
    strength: 'heightMm',
  }),
  start: ({ tall }) => ({ heightMm: readable(tall / 3) }),
  handle: (_, box) => pulledOut(box, 'z'),
  flags: { name: 'bulge', turn: 2 },
});
