import type { Field, ValuesOf } from './field.ts';
import { choice, extent, flag, letters, place, point, record, triple } from './make.ts';

export const AXES = ['x', 'y', 'z'] as const;
export const axis = (usual: (typeof AXES)[number], traits?: { when?: Field['when'] }): Field<'x' | 'y' | 'z'> =>
  choice(AXES, { usual, ...traits });

/** Along which axis a step acts, and between which places of the flat layout; beyond them its ends go on. */
export const span = (usual: (typeof AXES)[number]) =>
  ({
    axis: axis(usual),
    /** over the whole piece, whatever its words have become */
    whole: flag(true, { flag: false }),
    fromMm: place({ usual: -100, when: { whole: false }, pairedWith: 'toMm' }),
    toMm: place({ usual: 100, when: { whole: false }, pairedWith: 'fromMm' }),
  }) satisfies Record<string, Field>;

/** What stays where it is: the middle of the piece, or a point of the flat layout. */
export const about = () =>
  ({
    middle: flag(true, { flag: false }),
    centreMm: point([0, 0, 0], { when: { middle: false }, flag: 'center' }),
  }) satisfies Record<string, Field>;

/** How a step's strength grows from its start to its end. */
export const ease = () => choice(['even', 'soft', 'early', 'late']);
export type Ease = 'even' | 'soft' | 'early' | 'late';

const WHERE = {
  kind: choice(['all', 'ball', 'box', 'cone', 'layer']),
  /** of a cone, from its tip, and of a layer */
  axis: axis('x'),
  /** the tip of a cone */
  centreMm: point(),
  /** across, up and deep; of a ball the first is its width, of a cone its length and width, of a layer its thickness */
  sizeMm: triple(extent(100), extent(100), extent(100)),
  softMm: extent(20),
  parts: choice(['all', 'fronts', 'sides']),
  letters: letters(),
};

/** Where a step acts; at its border it fades over `softMm`. */
export const where = () => record(WHERE, { flag: false });
export type StepPlace = ValuesOf<typeof WHERE>;

/** Steps that move points outward or along an axis by a height that the place in the flat layout tells. */
export const displacing = (heightMm = 3) => ({
  where: where(),
  heightMm: place({ usual: heightMm }),
  moves: choice(['outward', ...AXES], { usual: 'z' }),
});
