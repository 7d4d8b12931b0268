import { z } from 'zod';
import { LIMITS } from '../base/index.ts';
import type { Field, Traits } from './field.ts';
import { pair, place } from './make.ts';

/** Across or up, of a knot. */
export const KNOT_PLACE = place();
const planePoint = pair(KNOT_PLACE, KNOT_PLACE).schema;

/** A curve drawn here: cubic pieces from knot to knot. Arms are relative to their knot; both zero make a corner. */
export const freeCurveSchema = z.object({
  knots: z
    .array(z.object({ atMm: planePoint, inMm: planePoint, outMm: planePoint }))
    .min(2)
    .max(LIMITS.knots),
  closed: z.boolean(),
});
export type FreeCurve = z.infer<typeof freeCurveSchema>;

/** A gentle hill, its middle at zero. */
export const hillCurve = (wideMm: number): FreeCurve => ({
  knots: [
    { atMm: [-wideMm / 2, 0], inMm: [0, 0], outMm: [wideMm / 6, 0] },
    { atMm: [0, wideMm / 8], inMm: [-wideMm / 6, 0], outMm: [wideMm / 6, 0] },
    { atMm: [wideMm / 2, 0], inMm: [-wideMm / 6, 0], outMm: [0, 0] },
  ],
  closed: false,
});

/** A curve drawn in the plane of the front. */
export const freeCurve = (usual: FreeCurve, traits?: Traits): Field<FreeCurve> => ({
  is: 'data',
  usual,
  moves: 'no',
  ...traits,
  schema: freeCurveSchema,
});
