import { about, ease, span, turn, type Ease } from '../../fields/index.ts';
import { cos, PI, sin, type Box3, type Vec3 } from '../../math/index.ts';
import { alongAxisMap, eased, spanLength, shareAlong, type Span } from '../../shape/index.ts';
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
          bends: twistedAtMost(step, whole / spanLength(span), { reach: reachAcross(box, centre, [b, c]), span }),
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

/** How steeply a share grows at most, and how much that changes, by how it is eased. */
const EASED: Readonly<Record<Ease, { slope: number; change: number }>> = {
  even: { slope: 1, change: 0 },
  soft: { slope: 1.5, change: 6 },
  late: { slope: 2, change: 2 },
  early: { slope: 2, change: 2 },
};

/**
 * A line that runs along the axis by a and across it by b comes to bend by a a r (t'' aside, t' t' inward) and 2 a b
 * t', t being the angle and r the distance from the axis. Unknown where the twist ends in a kink.
 */
function twistedAtMost(
  { whole, ease }: Pick<StepOf<'twist', typeof TWIST>, 'whole' | 'ease'>,
  radiansAMm: number,
  { reach, span }: { reach: number; span: Span },
): number | undefined {
  if (!(spanLength(span) > 0) || (!whole && ease !== 'soft')) return undefined;
  const { slope, change } = EASED[ease];
  const first = Math.abs(slope * radiansAMm);
  const second = (change * Math.abs(radiansAMm)) / spanLength(span);
  const along = reach * Math.sqrt(second * second + first * first * first * first);
  return along / 2 + Math.sqrt((along * along) / 4 + first * first);
}

/** How far a box reaches from an axis through a place, mm. */
function reachAcross({ low, high }: Box3, centre: Vec3, across: readonly (0 | 1 | 2)[]): number {
  const far = across.map((k) => Math.max(Math.abs(low[k] - centre[k]), Math.abs(high[k] - centre[k])));
  return Math.sqrt(far[0] * far[0] + far[1] * far[1]);
}
