import { z } from 'zod';
import { LIMITS } from '../../base/index.ts';

/** How a path of a drawing is painted, in the path's own units (SVG 2, chapter 13). */
const paintSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('fill'), rule: z.enum(['nonzero', 'evenodd']) }),
  z.object({
    kind: z.literal('stroke'),
    width: z.number().positive(),
    join: z.enum(['miter', 'round', 'bevel']),
    cap: z.enum(['butt', 'round', 'square']),
    miterLimit: z.number().min(1),
    dashes: z.array(z.number().min(0)).max(64),
    dashOffset: z.number(),
  }),
]);

const number = z.number();

/** One painted path of a drawing. */
export const elementSchema = z.object({
  /** id of its colour */
  colour: z.number().int().positive(),
  /** SVG path data of M, L, Q, C and Z alone, y down */
  path: z.string().max(LIMITS.drawingPathCharacters),
  /** rows of x' = a x + c y + e, y' = b x + d y + f */
  transform: z.tuple([number, number, number, number, number, number]),
  paint: paintSchema,
});
