import { cos, PI, sin } from '../../math/index.ts';

/** A point of an edge's profile: how far in from the outline, and how far below the cap, as shares of the edge's width and depth. */
export type ProfilePoint = readonly [inShare: number, downShare: number];

/** Edges that need no drawing. */
export type UsualKind = 'plain' | 'chamfer' | 'round' | 'cove' | 'step' | 'ogee' | 'bead';
export const USUAL_KINDS: readonly UsualKind[] = ['plain', 'chamfer', 'round', 'cove', 'step', 'ogee', 'bead'];

/** Evenly from 0 to 1, both ends. */
const shares = (steps: number): number[] => Array.from({ length: steps + 1 }, (_, i) => i / steps);

/** A quarter that bulges: level at the rim, upright at the foot. */
const convex = (t: number): ProfilePoint => [1 - sin((t * PI) / 2), 1 - cos((t * PI) / 2)];
/** A quarter that is scooped: upright at the rim, level at the foot. */
const concave = (t: number): ProfilePoint => [cos((t * PI) / 2), sin((t * PI) / 2)];

const half = ([inward, down]: ProfilePoint, [fromIn, fromDown]: ProfilePoint): ProfilePoint => [
  fromIn + inward / 2,
  fromDown + down / 2,
];

const PROFILES: Readonly<Record<Exclude<UsualKind, 'plain'>, (steps: number) => ProfilePoint[]>> = {
  chamfer: () => [
    [1, 0],
    [0, 1],
  ],
  round: (steps) => shares(steps).map(convex),
  cove: (steps) => shares(steps).map(concave),
  // down, then out, as often as there are steps
  step: (steps) => [
    ...Array.from({ length: steps }, (_, i): ProfilePoint[] => [
      [1 - i / steps, i / steps],
      [1 - i / steps, (i + 1) / steps],
    ]).flat(),
    [0, 1],
  ],
  // a round above a scoop, upright where they meet
  ogee: (steps) => [
    ...shares(steps).map((t) => half(convex(t), [0.5, 0])),
    ...shares(steps)
      .slice(1)
      .map((t) => half(concave(t), [0, 0.5])),
  ],
  // half a rod on a ledge
  bead: (steps) => [...shares(2 * steps).map((t): ProfilePoint => [1 - sin(t * PI), (1 - cos(t * PI)) / 2]), [0, 1]],
};

/** An edge's profile from the rim of the cap to its foot on the outline. `steps`: of each curve in it, or of the stair. */
export function edgeProfile(kind: Exclude<UsualKind, 'plain'>, steps: number): ProfilePoint[] {
  const points = PROFILES[kind](steps);
  // both ends lie exactly where they are meant to
  return points.map((point, i) => (i === 0 ? [1, 0] : i === points.length - 1 ? [0, 1] : point));
}

export type UsualSideKind = 'straight' | 'bulge' | 'waist' | 'v';
export const USUAL_SIDE_KINDS: readonly UsualSideKind[] = ['straight', 'bulge', 'waist', 'v'];

/** A side's profile from the front edge's foot to the back edge's: how far in (shares of its amount), and how far along. */
export function sideProfile(kind: UsualSideKind, steps: number): ProfilePoint[] {
  switch (kind) {
    case 'straight':
      return [
        [0, 0],
        [0, 1],
      ];
    case 'v':
      return [
        [0, 0],
        [1, 0.5],
        [0, 1],
      ];
    case 'waist':
      return ends(
        shares(2 * steps).map((t): ProfilePoint => [sin(t * PI), t]),
        0,
      );
    case 'bulge':
      return ends(
        shares(2 * steps).map((t): ProfilePoint => [1 - sin(t * PI), t]),
        1,
      );
  }
}

const ends = (points: ProfilePoint[], inward: number): ProfilePoint[] =>
  points.map(([own, t], i) => (i === 0 || i === points.length - 1 ? [inward, t] : [own, t]));
