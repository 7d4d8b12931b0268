import { axis, count, place } from '../../fields/index.ts';
import { axisIndex, type Vec3 } from '../../math/index.ts';
import { defineStep } from '../definition.ts';

const REPEAT = { axis: axis('x'), count: count(1, 200, { usual: 2 }), gapMm: place({ usual: 20 }) };

/** Copies one behind the other with a gap between. */
export const repeat = defineStep({
  kind: 'repeat',
  fields: REPEAT,
  group: 'shape',
  act: {
    does: 'copies',
    shifts: ({ axis, count, gapMm }, { low, high }) => {
      const k = axisIndex[axis];
      const stride = high[k] - low[k] + gapMm;
      return Array.from({ length: count }, (_, i) => {
        const shift: Vec3 = [0, 0, 0];
        shift[k] = i * stride;
        return shift;
      });
    },
  },
  flags: { name: 'repeat', main: 'count', turn: 0 },
});
