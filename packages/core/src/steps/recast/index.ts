import { length } from '../../fields/index.ts';
import { defineStep, type StepOf } from '../definition.ts';
import { readable } from '../readable.ts';

const still = { step: 0.1, moves: 'no' } as const;

const RECAST = {
  /** of a cell */
  sizeMm: length(0.01, 1000, { usual: 1, ...still }),
  /** open sheets become so thick, holes up to as wide are closed */
  thickMm: length(0, 1000, still),
  /** edges melt by so much */
  meltMm: length(0, 1000, still),
  /** afterwards as few triangles as stay within this; 0: all */
  errorMm: length(0, 1000, { usual: 0.1, ...still }),
};
export type RecastStep = StepOf<'recast', typeof RECAST>;
export const isRecast = (step: { kind: string }): step is RecastStep => step.kind === recastStep.kind;

/** Made anew over a grid, whatever it was: closed, and nothing crosses. */
export const recastStep = defineStep({
  kind: 'recast',
  fields: RECAST,
  group: 'faces',
  act: { does: 'casts' },
  start: ({ box, wide, tall }) => {
    if (!box) return {};
    // fine enough for strokes, and quick enough to be tried in passing
    const sizeMm = readable(Math.max(Math.min(wide, tall) / 30, Math.max(wide, tall) / 250));
    return { sizeMm, errorMm: sizeMm / 10 };
  },
  flags: { name: 'recast', main: 'sizeMm', turn: 5 },
});
