import { z } from 'zod';
import { LIMITS } from '../base/index.ts';
import { length, place, value } from './schemaParts.ts';

const measure = length(0.1, 100_000);

/** A point of a profile that is turned round an axis. */
const turnedKnotSchema = z.object({
  radiusMm: length(0, 100_000),
  heightMm: place,
  /** passed in the direction of its neighbours, instead of a corner */
  smooth: z.boolean(),
});

/** What a form is. Zero is the middle of its foot; up is upright, its front looks towards the viewer. */
const shapeSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('block'),
    widthMm: measure,
    heightMm: measure,
    depthMm: measure,
    edge: z.enum(['plain', 'chamfer', 'round']),
    edgeMm: length(0, 100_000),
    /** of the top against the foot, across and deep: a bar that tapers */
    taperPercent: z.number().min(-300).max(95).meta(value('%', true)),
  }),
  z.object({ kind: z.literal('ball'), radiusMm: measure }),
  /** a profile turned round the upright axis, from the foot up */
  z.object({
    kind: z.literal('turned'),
    knots: z.array(turnedKnotSchema).min(2).max(LIMITS.turnedKnots),
    /** of a vessel, open at the top; 0: full */
    wallMm: length(0, 10_000),
  }),
  /** upright, its section an ellipse */
  z.object({
    kind: z.literal('tube'),
    widthMm: measure,
    depthMm: measure,
    heightMm: measure,
    /** 0: full, a cylinder */
    wallMm: length(0, 10_000),
  }),
  /** a ring that lies flat */
  z.object({ kind: z.literal('ring'), radiusMm: measure, thickMm: measure }),
  /** a roll of clay that climbs round the upright axis */
  z.object({
    kind: z.literal('coil'),
    radiusMm: measure,
    thickMm: measure,
    riseMm: place,
    turns: z.number().min(0.05).max(100).meta(value('count', true)),
  }),
  /** a sheet whose middle stands out across and up; below zero it is hollow, one of each makes a saddle */
  z.object({
    kind: z.literal('shell'),
    widthMm: measure,
    heightMm: measure,
    thickMm: measure,
    acrossMm: place,
    upMm: place,
  }),
  /** a plate behind the words of another piece, as large as they are */
  z.object({
    kind: z.literal('panel'),
    /** id of that piece; empty: none */
    around: z.string().max(64),
    marginMm: length(0, 10_000),
    thickMm: measure,
    cornerMm: length(0, 10_000),
  }),
]);

/** A body made here. Its curves are as fine as the tolerance of the piece's faces. */
export const formSchema = z.object({ kind: z.literal('form'), form: shapeSchema });

/** A mesh that was brought in. */
export const modelSchema = z.object({
  kind: z.literal('model'),
  /** SHA-256 of the file, in hexadecimal */
  asset: z.string().regex(/^[0-9a-f]{64}$/),
  format: z.enum(['obj', 'stl', 'ply', 'glb']),
  /** as the file counts */
  unit: z.enum(['mm', 'cm', 'm', 'in']),
  /** the file's own upright axis */
  up: z.enum(['y', 'z']),
  scalePercent: z.number().min(0.001).max(1_000_000).meta(value('%', true)),
  /** its holes are closed */
  closed: z.boolean(),
  /** it keeps the materials and pictures that it came with, or takes finishes */
  paint: z.enum(['own', 'finish']),
  /** where it faces: as the file says, a body outward; the other way; or always outward */
  sides: z.enum(['own', 'over', 'outward']),
});

export type Form = z.infer<typeof formSchema>;
export type FormShape = z.infer<typeof shapeSchema>;
export type Model = z.infer<typeof modelSchema>;
