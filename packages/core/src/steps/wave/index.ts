import { displacing as displacingFields, measure, turn } from '../../fields/index.ts';
import { cos, PI, sin } from '../../math/index.ts';
import { displacedBy } from '../../shape/index.ts';
import { defineStep, moves, type StepOf } from '../definition.ts';
import { pulledOut } from '../pulls.ts';
import { readable } from '../readable.ts';

const WAVE = {
  ...displacingFields(),
  lengthMm: measure(120),
  /** of the way it runs, counter-clockwise from across */
  towardDegrees: turn(),
  phaseDegrees: turn(),
};
type WaveStep = StepOf<'wave', typeof WAVE>;

export const wave = defineStep({
  kind: 'wave',
  fields: WAVE,
  group: 'shape',
  act: moves(
    displacedBy<WaveStep>({
      height: ({ towardDegrees, lengthMm, phaseDegrees }) => {
        const toward = (towardDegrees * PI) / 180;
        const [dx, dy] = [cos(toward) / lengthMm, sin(toward) / lengthMm];
        const phase = phaseDegrees / 360;
        // shortened to one turn: own sine is exact only for moderate angles
        return ([x, y]) => {
          const turns = x * dx + y * dy + phase;
          return sin(2 * PI * (turns - Math.floor(turns)));
        };
      },
      slope: ({ lengthMm }) => (2 * PI) / lengthMm,
      featureMm: ({ lengthMm }) => lengthMm / 2,
      canFold: ({ moves, where }) => moves !== 'z' || where.kind !== 'all',
    }),
  ),
  start: ({ wide, tall }) => ({ lengthMm: readable(wide / 2), heightMm: readable(tall / 6) }),
  handle: ({ moves }, box) => pulledOut(box, moves),
  flags: { name: 'wave', turn: 2 },
});
