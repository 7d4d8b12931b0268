import { cos, PI, sin } from '../../math/index.ts';

/**
 * A point of a drawn profile, in shares of its width and depth. A smooth one is passed in the direction of its
 * neighbours.
 */
export interface ProfileKnot {
  in: number;
  down: number;
  smooth: boolean;
}

/**
 * A point of an edge's profile: how far in from the outline, and how far below the cap, as shares of the edge's width
 * and depth.
 */
export type ProfilePoint = readonly [inShare: number, downShare: number];

/** Evenly from 0 to 1, both ends. */
export const shares = (steps: number): number[] => Array.from({ length: steps + 1 }, (_, i) => i / steps);

/** A quarter that bulges: level at the rim, upright at the foot. */
export const convex = (t: number): ProfilePoint => [1 - sin((t * PI) / 2), 1 - cos((t * PI) / 2)];
/** A quarter that is scooped: upright at the rim, level at the foot. */
export const concave = (t: number): ProfilePoint => [cos((t * PI) / 2), sin((t * PI) / 2)];

export const half = ([inward, down]: ProfilePoint, [fromIn, fromDown]: ProfilePoint): ProfilePoint => [
  fromIn + inward / 2,
  fromDown + down / 2,
];

export const cornerKnot = (inward: number, down: number): ProfileKnot => ({ in: inward, down, smooth: false });
export const smoothKnot = (inward: number, down: number): ProfileKnot => ({ in: inward, down, smooth: true });

export const SQRT1_2 = Math.sqrt(0.5);
export const NEAR = 1 - SQRT1_2;
