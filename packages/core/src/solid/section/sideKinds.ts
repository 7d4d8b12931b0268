import { PI, sin } from '../../math/index.ts';
import { cornerKnot, shares, smoothKnot, type ProfileKnot, type ProfilePoint } from './curves.ts';

/** All that there is to a kind of side that needs no drawing, but for what languages say of it. */
export interface SideKindDefinition {
  /** from the front edge's foot to the back edge's: how far in (shares of its amount), and how far along */
  profile(steps: number): ProfilePoint[];
  /** its middle lies as far in as its amount says */
  heldAtMiddle: boolean;
  /** what one draws on from; a drawn one bulges beyond the outline, where the usual bulge comes out to it */
  knots: readonly ProfileKnot[];
}

const ends = (points: ProfilePoint[], inward: number): ProfilePoint[] =>
  points.map(([own, t], i) => (i === 0 || i === points.length - 1 ? [inward, t] : [own, t]));

const kinds = <K extends string>(
  of: Readonly<Record<K, SideKindDefinition>>,
): Readonly<Record<K, SideKindDefinition>> => of;

/** Every kind, in the order in which they are offered. */
export const SIDE_KINDS = kinds({
  straight: {
    heldAtMiddle: false,
    profile: () => [
      [0, 0],
      [0, 1],
    ],
    knots: [],
  },
  bulge: {
    heldAtMiddle: false,
    profile: (steps) =>
      ends(
        shares(2 * steps).map((t): ProfilePoint => [1 - sin(t * PI), t]),
        1,
      ),
    knots: [smoothKnot(-0.7, 0.25), smoothKnot(-1, 0.5), smoothKnot(-0.7, 0.75)],
  },
  waist: {
    heldAtMiddle: true,
    profile: (steps) =>
      ends(
        shares(2 * steps).map((t): ProfilePoint => [sin(t * PI), t]),
        0,
      ),
    knots: [smoothKnot(0.7, 0.25), smoothKnot(1, 0.5), smoothKnot(0.7, 0.75)],
  },
  v: {
    heldAtMiddle: true,
    profile: () => [
      [0, 0],
      [1, 0.5],
      [0, 1],
    ],
    knots: [cornerKnot(1, 0.5)],
  },
});

export type UsualSideKind = keyof typeof SIDE_KINDS;
export const USUAL_SIDE_KINDS = Object.keys(SIDE_KINDS) as [UsualSideKind, ...UsualSideKind[]];

export const sideProfile = (kind: UsualSideKind, steps: number): ProfilePoint[] => SIDE_KINDS[kind].profile(steps);

export const usualSideKnots = (kind: UsualSideKind): readonly ProfileKnot[] => SIDE_KINDS[kind].knots;

/** Whether one takes hold of a side at its middle, which lies as far in as its amount says. */
export const heldAtMiddle = (kind: string): boolean =>
  kind in SIDE_KINDS && SIDE_KINDS[kind as UsualSideKind].heldAtMiddle;
