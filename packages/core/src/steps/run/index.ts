import { defineStep, moves } from '../definition.ts';
import { middleOfBox } from '../../math/index.ts';
import { RUN, type RunStep } from './fields.ts';
import { runMap } from './map.ts';

/** Along a line in space: x runs along it. */
export const run = defineStep({
  kind: 'run',
  fields: RUN,
  group: 'shape',
  act: moves<RunStep>({
    map: ([step], { box, mark }) => runMap(step, box, mark),
    canFold: () => true,
  }),
  // once round, with room between the ends
  start: ({ box, wide, tall }): Partial<RunStep> =>
    box ? { path: { kind: 'coil', radiusMm: Math.ceil(wide / 6), riseMm: Math.round(tall * 1.4), turns: 1 } } : {},
  handle: (_, box) => {
    const [, y, z] = middleOfBox(box);
    return { does: 'pull', place: [box.low[0], y, z], axis: 0, field: 'shiftMm', share: 1 };
  },
  flags: { name: 'along', main: 'path', turn: 4 },
});
