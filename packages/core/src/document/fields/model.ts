import { z } from 'zod';
import { choice, data, flag, share } from '../../fields/index.ts';

/** A mesh that was brought in. */
export const MODEL = {
  /** SHA-256 of the file, in hexadecimal */
  asset: data(z.string().regex(/^[0-9a-f]{64}$/), ''),
  format: choice(['obj', 'stl', 'ply', 'glb']),
  /** as the file counts */
  unit: choice(['mm', 'cm', 'm', 'in']),
  /** the file's own upright axis */
  up: choice(['y', 'z']),
  scalePercent: share(0.001, 1_000_000, { usual: 100, step: 5 }),
  /** its holes are closed */
  closed: flag(false),
  /** it keeps the materials and pictures that it came with, or takes finishes */
  paint: choice(['own', 'finish']),
  /** where it faces: as the file says, a body outward; the other way; or always outward */
  sides: choice(['own', 'over', 'outward']),
};
