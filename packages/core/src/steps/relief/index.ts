import { displacedBy } from '../../shape/index.ts';
import { defineStep, moves } from '../definition.ts';
import { pulledOut } from '../pulls.ts';
import { readable } from '../readable.ts';
import { RELIEF, type ReliefStep } from './fields.ts';
import { reliefHeight, reliefSlope } from './heights.ts';

/** A picture as height: light is high. */
export const relief = defineStep({
  kind: 'relief',
  fields: RELIEF,
  group: 'shape',
  act: moves(
    displacedBy<ReliefStep>({
      height: reliefHeight,
      slope: reliefSlope,
      featureMm: ({ widthMm, columns }) => (2 * widthMm) / columns,
    }),
  ),
  start: ({ wide, tall }) => ({ widthMm: readable(2 * wide), heightMm: readable(tall / 15) }),
  handle: ({ moves }, box) => pulledOut(box, moves),
  flags: false,
});
