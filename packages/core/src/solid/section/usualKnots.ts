import type { ProfileKnot } from './drawnProfile.ts';
import type { UsualKind, UsualSideKind } from './profiles.ts';

const corner = (inward: number, down: number): ProfileKnot => ({ in: inward, down, smooth: false });
const smooth = (inward: number, down: number): ProfileKnot => ({ in: inward, down, smooth: true });

const SQRT1_2 = Math.sqrt(0.5);
const NEAR = 1 - SQRT1_2;

const EDGES: Readonly<Record<UsualKind, readonly ProfileKnot[]>> = {
  plain: [corner(0, 0)],
  chamfer: [],
  round: [smooth(0.617, 0.076), smooth(NEAR, NEAR), smooth(0.076, 0.617)],
  cove: [smooth(0.924, 0.383), smooth(SQRT1_2, SQRT1_2), smooth(0.383, 0.924)],
  step: [corner(1, 0.5), corner(0.5, 0.5), corner(0.5, 1)],
  ogee: [smooth(0.5 + NEAR / 2, NEAR / 2), smooth(0.5, 0.5), smooth(SQRT1_2 / 2, 0.5 + SQRT1_2 / 2)],
  bead: [smooth(NEAR, 0.5 - SQRT1_2 / 2), smooth(0, 0.5), smooth(NEAR, 0.5 + SQRT1_2 / 2), corner(1, 1)],
};

const SIDES: Readonly<Record<UsualSideKind, readonly ProfileKnot[]>> = {
  straight: [],
  bulge: [smooth(-0.7, 0.25), smooth(-1, 0.5), smooth(-0.7, 0.75)],
  waist: [smooth(0.7, 0.25), smooth(1, 0.5), smooth(0.7, 0.75)],
  v: [corner(1, 0.5)],
};

/** What one draws on from: knots of a drawn edge near to a usual one. */
export const usualKnots = (kind: UsualKind): readonly ProfileKnot[] => EDGES[kind];

/** The same for a side. A drawn one bulges beyond the outline, where the usual bulge comes out to it. */
export const usualSideKnots = (kind: UsualSideKind): readonly ProfileKnot[] => SIDES[kind];
