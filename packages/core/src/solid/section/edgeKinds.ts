import { cos, PI, sin } from '../../math/index.ts';
import {
  concave,
  convex,
  cornerKnot,
  half,
  NEAR,
  shares,
  smoothKnot,
  SQRT1_2,
  type ProfileKnot,
  type ProfilePoint,
} from './curves.ts';

/** All that there is to a kind of edge that needs no drawing, but for what languages say of it. */
export interface EdgeKindDefinition {
  /** what its steps are of */
  steps: 'nothing' | 'curves' | 'stairs';
  /** of its width or depth: the radius of an edge that is curves all along */
  roundShare?: number;
  /** it comes to its foot level, so that it needs a wall to end on */
  endsLevel: boolean;
  /** from the rim of the cap to its foot on the outline; none: there is no edge */
  profile(steps: number): ProfilePoint[];
  /** what one draws on from */
  knots: readonly ProfileKnot[];
}

const kinds = <K extends string>(
  of: Readonly<Record<K, EdgeKindDefinition>>,
): Readonly<Record<K, EdgeKindDefinition>> => of;

/** Every kind, in the order in which they are offered. */
export const EDGE_KINDS = kinds({
  plain: { steps: 'nothing', endsLevel: false, profile: () => [], knots: [cornerKnot(0, 0)] },
  chamfer: {
    steps: 'nothing',
    endsLevel: false,
    profile: () => [
      [1, 0],
      [0, 1],
    ],
    knots: [],
  },
  round: {
    steps: 'curves',
    roundShare: 1,
    endsLevel: false,
    profile: (steps) => shares(steps).map(convex),
    knots: [smoothKnot(0.617, 0.076), smoothKnot(NEAR, NEAR), smoothKnot(0.076, 0.617)],
  },
  cove: {
    steps: 'curves',
    roundShare: 1,
    endsLevel: true,
    profile: (steps) => shares(steps).map(concave),
    knots: [smoothKnot(0.924, 0.383), smoothKnot(SQRT1_2, SQRT1_2), smoothKnot(0.383, 0.924)],
  },
  /** down, then out, as often as there are steps */
  step: {
    steps: 'stairs',
    endsLevel: true,
    profile: (steps) => [
      ...Array.from({ length: steps }, (_, i): ProfilePoint[] => [
        [1 - i / steps, i / steps],
        [1 - i / steps, (i + 1) / steps],
      ]).flat(),
      [0, 1],
    ],
    knots: [cornerKnot(1, 0.5), cornerKnot(0.5, 0.5), cornerKnot(0.5, 1)],
  },
  /** a round above a scoop, upright where they meet */
  ogee: {
    steps: 'curves',
    roundShare: 0.5,
    endsLevel: true,
    profile: (steps) => [
      ...shares(steps).map((t) => half(convex(t), [0.5, 0])),
      ...shares(steps)
        .slice(1)
        .map((t) => half(concave(t), [0, 0.5])),
    ],
    knots: [smoothKnot(0.5 + NEAR / 2, NEAR / 2), smoothKnot(0.5, 0.5), smoothKnot(SQRT1_2 / 2, 0.5 + SQRT1_2 / 2)],
  },
  /** half a rod on a ledge */
  bead: {
    steps: 'curves',
    roundShare: 1,
    endsLevel: true,
    profile: (steps) => [
      ...shares(2 * steps).map((t): ProfilePoint => [1 - sin(t * PI), (1 - cos(t * PI)) / 2]),
      [0, 1],
    ],
    knots: [
      smoothKnot(NEAR, 0.5 - SQRT1_2 / 2),
      smoothKnot(0, 0.5),
      smoothKnot(NEAR, 0.5 + SQRT1_2 / 2),
      cornerKnot(1, 1),
    ],
  },
});

export type UsualKind = keyof typeof EDGE_KINDS;
export const USUAL_KINDS = Object.keys(EDGE_KINDS) as [UsualKind, ...UsualKind[]];

/**
 * An edge's profile from the rim of the cap to its foot on the outline. `steps`: of each curve in it, or of the stair.
 */
export function edgeProfile(kind: UsualKind, steps: number): ProfilePoint[] {
  const points = EDGE_KINDS[kind].profile(steps);
  // both ends lie exactly where they are meant to
  return points.map((point, i) => (i === 0 ? [1, 0] : i === points.length - 1 ? [0, 1] : point));
}

/** What one draws on from: knots of a drawn edge near to a usual one. */
export const usualKnots = (kind: UsualKind): readonly ProfileKnot[] => EDGE_KINDS[kind].knots;

/** Whether the steps of an edge count: those of a stair always do, those of curves where curves go by them. */
export function countsSteps(
  edge: { kind: UsualKind } | { kind: 'drawn'; points: readonly ProfileKnot[] },
  byCount: boolean,
): boolean {
  if (edge.kind === 'drawn') return byCount && edge.points.some((knot) => knot.smooth);
  const { steps } = EDGE_KINDS[edge.kind];
  return steps === 'stairs' || (steps === 'curves' && byCount);
}
