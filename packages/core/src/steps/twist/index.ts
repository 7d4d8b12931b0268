import { about, ease, span, turn } from '../../fields/index.ts';
import { cos, PI, sin } from '../../math/index.ts';
import { alongAxisMap, eased, spanLength, shareAlong } from '../../shape/index.ts';
import { defineStep, moves, type StepOf } from '../definition.ts';
import { atEnd, besideOf, halfOf } from '../pulls.ts';
import { quarters } from '../quarters.ts';

const TWIST = { ...span('x'), ...about(), angleDegrees: turn({ usual: 45 }), ease: ease() };

export const twist = defineStep({
  kind: 'twist',
  fields: TWIST,
  group: 'shape',
  act: moves<StepOf<'twist', typeof TWIST>>({
    map: ([step], { box }) =>
      alongAxisMap(step, box, ({ span, centre, across: [b, c] }) => {
        const whole = (step.angleDegrees * PI) / 180;
        return {
          featureMm: spanLength(span) / Math.max(2, Math.abs(step.angleDegrees) / 45),
          move: (at, { rest }) => {
            const angle = whole * eased(shareAlong(span, rest), step.ease);
            const [p, q] = [at[b] - centre[b], at[c] - centre[c]];
            at[b] = centre[b] + p * cos(angle) - q * sin(angle);
            at[c] = centre[c] + p * sin(angle) + q * cos(angle);
          },
        };
      }),
    canFold: () => false,
    strength: 'angleDegrees',
  }),
  start: quarters,
  handle: (_, box, limits) => {
    const beside = besideOf(limits.axis);
    const place = atEnd(box, limits);
    place[beside] = box.high[beside];
    // which way a turn about an axis moves what lies beside it, towards the viewer
    const turned = (limits.axis + 1) % 3 === beside ? 1 : -1;
    return { does: 'pull', place, axis: 2, field: 'angleDegrees', share: turned * (60 / halfOf(box, beside)) };
  },
  flags: { name: 'twist-along', turn: 1 },
});
