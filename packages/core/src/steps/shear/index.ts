import { ease, pair, place, span } from '../../fields/index.ts';
import { alongAxisMap, eased, evenFeature, shareAlong } from '../../shape/index.ts';
import { defineStep, moves, type StepOf } from '../definition.ts';
import { atEnd } from '../pulls.ts';
import { quarters } from '../quarters.ts';
import { readable } from '../readable.ts';

const SHEAR = {
  ...span('x'),
  byMm: pair(place({ usual: 20 }), place()),
  ease: ease(),
};
type ShearStep = StepOf<'shear', typeof SHEAR>;

/** How far the end is moved along the next two axes. */
export const shear = defineStep({
  kind: 'shear',
  fields: SHEAR,
  group: 'shape',
  act: moves<ShearStep>({
    map: ([step], { box }) =>
      alongAxisMap(step, box, ({ span, across: [b, c] }) => ({
        featureMm: evenFeature(step, span),
        move: (at, { rest }) => {
          const share = eased(shareAlong(span, rest), step.ease);
          at[b] += step.byMm[0] * share;
          at[c] += step.byMm[1] * share;
        },
      })),
    canFold: () => false,
  }),
  start: (facts): Partial<ShearStep> => ({ ...quarters(facts), byMm: [readable(facts.tall / 3), 0] }),
  handle: (_, box, limits) => {
    const axis = ((limits.axis + 1) % 3) as 0 | 1 | 2;
    return { does: 'pull', place: atEnd(box, limits), axis, field: 'byMm', part: 0, share: 1 };
  },
  flags: { name: 'shear-along', main: 'byMm', turn: 1 },
});
