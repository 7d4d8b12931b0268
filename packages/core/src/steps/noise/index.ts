import { displacedBy } from '../../shape/index.ts';
import { defineStep, moves } from '../definition.ts';
import { pulledOut } from '../pulls.ts';
import { readable } from '../readable.ts';
import { NOISE, type NoiseStep } from './fields.ts';
import { noiseHeight, noiseSlope } from './height.ts';

export const noise = defineStep({
  kind: 'noise',
  fields: NOISE,
  group: 'shape',
  act: moves(
    displacedBy<NoiseStep>({
      height: noiseHeight,
      slope: noiseSlope,
      featureMm: ({ sizeMm, detail }) => sizeMm / 2 ** (detail - 1),
    }),
  ),
  start: ({ tall }) => ({ sizeMm: readable(tall / 2), heightMm: readable(tall / 15) }),
  handle: ({ moves }, box) => pulledOut(box, moves),
  flags: { name: 'noise', turn: 2, usual: { moves: 'outward' } },
});
