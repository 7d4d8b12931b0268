import { about, ease, share, span } from '../../fields/index.ts';
import { alongAxisMap, eased, evenFeature, scaleAcross, shareAlong } from '../../shape/index.ts';
import { defineStep, moves, type StepOf } from '../definition.ts';
import { atEnd, pulledIn } from '../pulls.ts';
import { quarters } from '../quarters.ts';

const TAPER = { ...span('x'), ...about(), percent: share(-1000, 99, { usual: 40 }), ease: ease() };

/** How much smaller the end is; below zero larger. */
export const taper = defineStep({
  kind: 'taper',
  fields: TAPER,
  group: 'shape',
  act: moves<StepOf<'taper', typeof TAPER>>({
    map: ([step], { box }) =>
      alongAxisMap(step, box, (along) => ({
        featureMm: evenFeature(step, along.span),
        move: (at, { rest }) =>
          scaleAcross(at, along, 1 - (step.percent / 100) * eased(shareAlong(along.span, rest), step.ease)),
      })),
    canFold: () => false,
    strength: 'percent',
  }),
  start: quarters,
  handle: (_, box, limits) => pulledIn(atEnd(box, limits), box, limits),
  flags: { name: 'taper-along', turn: 1 },
});
