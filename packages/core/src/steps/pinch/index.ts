import { about, share, span } from '../../fields/index.ts';
import { cos, middleOfBox, PI, type Vec3 } from '../../math/index.ts';
import { alongAxisMap, spanLength, scaleAcross, shareAlong } from '../../shape/index.ts';
import { defineStep, moves, type StepOf } from '../definition.ts';
import { pulledIn } from '../pulls.ts';
import { quarters } from '../quarters.ts';

const PINCH = { ...span('x'), ...about(), percent: share(-1000, 99, { usual: 40 }) };

/** How much thinner the middle is; below zero thicker. */
export const pinch = defineStep({
  kind: 'pinch',
  fields: PINCH,
  group: 'shape',
  act: moves<StepOf<'pinch', typeof PINCH>>({
    map: ([step], { box }) =>
      alongAxisMap(step, box, (along) => ({
        featureMm: spanLength(along.span) / 2,
        move: (at, { rest }) => {
          const wave = (1 - cos(2 * PI * shareAlong(along.span, rest))) / 2;
          scaleAcross(at, along, 1 - (step.percent / 100) * wave);
        },
      })),
    canFold: () => false,
    strength: 'percent',
  }),
  start: quarters,
  handle: (_, box, limits) => pulledIn([...middleOfBox(box)] as Vec3, box, limits),
  flags: { name: 'pinch', turn: 1 },
});
