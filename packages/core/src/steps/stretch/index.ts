import { ease, share, span } from '../../fields/index.ts';
import { alongAxisMap, eased, evenFeature, spanLength, shareAlong } from '../../shape/index.ts';
import { defineStep, moves, type StepOf } from '../definition.ts';
import { atEnd, halfOf } from '../pulls.ts';
import { quarters } from '../quarters.ts';

const STRETCH = { ...span('x'), percent: share(-95, 1000, { usual: 30 }), ease: ease() };

export const stretch = defineStep({
  kind: 'stretch',
  fields: STRETCH,
  group: 'shape',
  act: moves<StepOf<'stretch', typeof STRETCH>>({
    map: ([step], { box }) =>
      alongAxisMap(step, box, ({ span }) => {
        const longer = (spanLength(span) * step.percent) / 100;
        return {
          featureMm: evenFeature(step, span),
          move: (at, { rest }) => {
            at[span.axis] += longer * eased(shareAlong(span, rest), step.ease);
          },
        };
      }),
    // eased it is nowhere more than twice as strong as even
    canFold: ({ percent }) => percent < -45,
    strength: 'percent',
  }),
  start: quarters,
  handle: (_, box, limits) => ({
    does: 'pull',
    place: atEnd(box, limits),
    axis: limits.axis,
    field: 'percent',
    share: 50 / halfOf(box, limits.axis),
  }),
  flags: { name: 'stretch', turn: 1 },
});
