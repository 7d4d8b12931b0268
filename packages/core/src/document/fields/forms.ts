import { z } from 'zod';
import { LIMITS } from '../../base/index.ts';
import { amount, choice, data, extent, flag, length, measure, piece, place, share } from '../../fields/index.ts';

/** A point of a profile that is turned round an axis. */
export const TURNED_KNOT = {
  radiusMm: extent(0),
  heightMm: place(),
  /** passed in the direction of its neighbours, instead of a corner */
  smooth: flag(false),
};
const knotSchema = z.object({
  radiusMm: TURNED_KNOT.radiusMm.schema,
  heightMm: TURNED_KNOT.heightMm.schema,
  smooth: TURNED_KNOT.smooth.schema,
});

const wall = (usual: number) => length(0, 10_000, { usual });

/** What a form is. Zero is the middle of its foot; up is upright, its front looks towards the viewer. */
export const FORMS = {
  block: {
    widthMm: measure(240),
    heightMm: measure(120),
    depthMm: measure(24),
    edge: choice(['plain', 'chamfer', 'round'], { usual: 'round' }),
    edgeMm: extent(3),
    /** of the top against the foot, across and deep: a bar that tapers */
    taperPercent: share(-300, 95, { usual: 0, step: 5 }),
  },
  ball: { radiusMm: measure(80) },
  /** a profile turned round the upright axis, from the foot up */
  turned: {
    knots: data(z.array(knotSchema).min(2).max(LIMITS.turnedKnots), []),
    /** of a vessel, open at the top; 0: full */
    wallMm: wall(6),
  },
  /** upright, its section an ellipse */
  tube: {
    widthMm: measure(180),
    depthMm: measure(110),
    heightMm: measure(140),
    /** 0: full, a cylinder */
    wallMm: wall(8),
  },
  /** a ring that lies flat */
  ring: { radiusMm: measure(90), thickMm: measure(50) },
  /** a roll of clay that climbs round the upright axis */
  coil: {
    radiusMm: measure(80),
    thickMm: measure(26),
    riseMm: place({ usual: 90 }),
    turns: amount(0.05, 100, { usual: 1.5, step: 0.25 }),
  },
  /** a sheet whose middle stands out across and up; below zero it is hollow, one of each makes a saddle */
  shell: {
    widthMm: measure(260),
    heightMm: measure(140),
    thickMm: measure(8),
    acrossMm: place({ usual: 40 }),
    upMm: place({ usual: -16 }),
  },
  /** a plate behind the words of another piece, as large as they are */
  panel: {
    /** id of that piece; empty: none */
    around: piece(),
    marginMm: wall(18),
    thickMm: measure(10),
    cornerMm: wall(8),
  },
};

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
