import { z } from 'zod';
import { LIMITS } from '../base/index.ts';

/** What a value means to the interface: its unit, and whether it may change in time. */
export const value = (unit: 'mm' | 'deg' | '‰' | '%' | 'count', moves: boolean): { unit: string; moves: boolean } => ({
  unit,
  moves,
});
export const length = (min: number, max: number): z.ZodNumber => z.number().min(min).max(max).meta(value('mm', true));

export const place = z.number().min(-100_000).max(100_000).meta(value('mm', true));
export const turn = z.number().min(-3600).max(3600).meta(value('deg', true));
/** Across, up, towards the viewer. */
export const point = z.tuple([place, place, place]);

export const signedPlane = z.number().min(-100_000).max(100_000).meta(value('mm', true));
const planePoint = z.tuple([signedPlane, signedPlane]);

/** A curve drawn here: cubic pieces from knot to knot. Arms are relative to their knot; both zero make a corner. */
export const freeCurveSchema = z.object({
  knots: z
    .array(z.object({ atMm: planePoint, inMm: planePoint, outMm: planePoint }))
    .min(2)
    .max(LIMITS.knots),
  closed: z.boolean(),
});

export type FreeCurve = z.infer<typeof freeCurveSchema>;
