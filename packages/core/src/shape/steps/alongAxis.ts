import type { ShapeStep } from '../../document/index.ts';
import { type Box3, cos, middleOfBox, PI, sin, type Vec3 } from '../../math/index.ts';
import type { PointMap } from '../pointMap.ts';
import { eased, shareAlong, spanOf, type Span } from '../span.ts';

type AlongStep = Extract<ShapeStep, { kind: 'twist' | 'taper' | 'shear' | 'stretch' | 'pinch' }>;

/** Steps whose strength grows along an axis: how far along is told by the place in the flat layout. */
export function alongAxisMap(step: AlongStep, box: Box3): PointMap {
  const span = spanOf(step, box);
  const centre = 'middle' in step && !step.middle ? step.centreMm : middleOfBox(box);
  return { usesNormal: false, featureMm: featureOf(step, span), move: moveOf(step, span, centre) };
}

/** What happens between the limits may be over within them; what grows evenly over all of it is a straight map. */
function featureOf(step: AlongStep, { from, to }: Span): number {
  if (step.kind === 'twist') return (to - from) / Math.max(2, Math.abs(step.angleDegrees) / 45);
  if (step.kind === 'pinch') return (to - from) / 2;
  return step.whole && step.ease === 'even' ? Infinity : to - from;
}

function moveOf(step: AlongStep, span: Span, centre: Vec3): PointMap['move'] {
  const { axis } = span;
  const [b, c] = [(axis + 1) % 3, (axis + 2) % 3];
  const scale = (at: Vec3, by: number): void => {
    at[b] = centre[b] + (at[b] - centre[b]) * by;
    at[c] = centre[c] + (at[c] - centre[c]) * by;
  };
  switch (step.kind) {
    case 'twist': {
      const whole = (step.angleDegrees * PI) / 180;
      return (at, { rest }) => {
        const angle = whole * eased(shareAlong(span, rest), step.ease);
        const [p, q] = [at[b] - centre[b], at[c] - centre[c]];
        at[b] = centre[b] + p * cos(angle) - q * sin(angle);
        at[c] = centre[c] + p * sin(angle) + q * cos(angle);
      };
    }
    case 'taper':
      return (at, { rest }) => scale(at, 1 - (step.percent / 100) * eased(shareAlong(span, rest), step.ease));
    case 'pinch':
      return (at, { rest }) => {
        const wave = (1 - cos(2 * PI * shareAlong(span, rest))) / 2;
        scale(at, 1 - (step.percent / 100) * wave);
      };
    case 'shear':
      return (at, { rest }) => {
        const share = eased(shareAlong(span, rest), step.ease);
        at[b] += step.byMm[0] * share;
        at[c] += step.byMm[1] * share;
      };
    case 'stretch': {
      const longer = ((span.to - span.from) * step.percent) / 100;
      return (at, { rest }) => {
        at[axis] += longer * eased(shareAlong(span, rest), step.ease);
      };
    }
  }
}
