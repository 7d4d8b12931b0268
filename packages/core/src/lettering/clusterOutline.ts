import type { Named } from '../base/index.ts';
import {
  condition,
  covered,
  dilated,
  hollow,
  placed,
  toRings,
  unite,
  type Bands,
  type Outline,
} from '../outline/index.ts';

/** A letter's outline in a cluster; grid steps from the cluster's origin. */
export interface OutlineAt {
  outline: Named<Outline>;
  dx: number;
  dy: number;
}

/** All that a cluster's outline depends on. */
export interface ClusterShape {
  members: readonly OutlineAt[];
  /** letters with a solid of their own that are too near: their place is taken out of this cluster */
  cuts: readonly OutlineAt[];
  /** how far around them, grid steps; 0 where there are none */
  cutReach: number;
  /** hollow letters, grid steps; undefined: full ones */
  bands: Bands | undefined;
  /** grid steps, to which tolerances relate */
  em: number;
}

export interface ClusterOutline {
  outline: Outline;
  /** hollow was asked for, and no room was left inside */
  isFull: boolean;
}

/**
 * The outline of a whole cluster about its origin, its members united; edges carry the member's place in the cluster.
 */
export function clusterOutline(shape: ClusterShape): ClusterOutline {
  const full = unitedOutline(shape);
  if (!shape.bands) return { outline: withoutCuts(full, shape), isFull: false };
  const { rings, isFull } = hollow(full, shape.bands);
  return { outline: withoutCuts(condition(rings, shape.em).outline, shape), isFull };
}

function withoutCuts(outline: Outline, { cuts, cutReach, em }: ClusterShape): Outline {
  if (cuts.length === 0) return outline;
  const covers = dilated(unite(cuts.flatMap((m) => placed(m.outline.of, m.dx, m.dy, 0))), cutReach);
  return condition(covered(toRings(outline), covers), em).outline;
}

function unitedOutline({ members, em }: ClusterShape): Outline {
  if (members.length === 1) return members[0].outline.of;
  const rings = members.flatMap((m, i) => placed(m.outline.of, m.dx, m.dy, i));
  return condition(rings, em).outline;
}
