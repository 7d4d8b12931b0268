import { choice, count } from '../fields/index.ts';
import { defineContour } from './definition.ts';
import { wall } from './wall.ts';

/** Of a wall: how much of it lies outside the outline. */
const OUTSIDE = { inside: 0, center: 0.5, outside: 1 } as const;

/** Bands along their outlines. */
export const hollowContour = defineContour({
  kind: 'hollow',
  fields: {
    wallMm: wall(3),
    /** where the first wall lies */
    side: choice(['inside', 'center', 'outside']),
    count: count(1, 20),
    gapMm: wall(2),
  },
  bands: ({ wallMm, side, count: many, gapMm }, emboldenMm) => ({
    outward: emboldenMm + wallMm * OUTSIDE[side],
    wide: wallMm,
    count: many,
    gap: gapMm,
    join: 'miter',
  }),
  growsAsSolid: false,
});
