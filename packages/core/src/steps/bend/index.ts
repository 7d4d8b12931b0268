import { middleOfBox, PI, type Vec3 } from '../../math/index.ts';
import { defineStep, moves, type StepHandle } from '../definition.ts';
import { quarters } from '../quarters.ts';
import { BEND, type BendStep } from './fields.ts';
import { bendMap, HEIGHT, RUNS, sharesSpine, type BendMap } from './map.ts';

/**
 * About an axis, evenly between its limits, straight beyond them; positive turns the ends to the back, about z
 * downward.
 */
export const bend = defineStep({
  kind: 'bend',
  fields: BEND,
  group: 'shape',
  act: moves<BendStep>({
    map: (steps, { box, mark }) => bendMap(steps, box, mark),
    joins: sharesSpine,
    canFold: () => true,
    left: (map, at) => {
      const { spine, seen } = map as BendMap;
      const { u, h } = seen(at);
      return 1 - spine.curvatureAt(u) * h;
    },
    touches: (steps, map) => {
      const { radians, spine, from, to } = map as BendMap;
      if (Math.abs(radians) < 2 * PI - 1e-9 || steps.length > 1) return undefined;
      const middle = spine.at((from + to) / 2, 0);
      return { place: [middle.along, middle.off, 0], limit: Math.sign(radians) * 359 };
    },
    strength: 'angleDegrees',
  }),
  start: quarters,
  runs: ({ axis }) => (RUNS[axis] === 0 ? 'x' : 'y'),
  handle: (step, box, { axis: run, from, to }): StepHandle => {
    const [end, pivot] = [middleOfBox(box), middleOfBox(box)] as [Vec3, Vec3];
    end[run] = to;
    pivot[run] = step.middle ? pivot[run] : Math.min(to, Math.max(from, step.centreMm[run]));
    // what stays at the end itself is held by the other end
    if (pivot[run] > from + 0.9 * (to - from)) end[run] = from;
    const high = HEIGHT[step.axis];
    const side = (3 - run - high) as 0 | 1 | 2;
    return { does: 'turn', end, pivot, run, high, side, towardDegrees: step.towardDegrees, field: 'angleDegrees' };
  },
  flags: { name: 'bend', turn: 3, usual: { middle: false, keeps: 'centre' } },
});
