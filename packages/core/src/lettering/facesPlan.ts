import { spelled } from '../base/index.ts';
import type { Box3 } from '../math/index.ts';
import type { Need } from '../shape/index.ts';
import {
  chosenMm,
  clusterFaces,
  expectedFaces,
  extentOf,
  faceSizeMm,
  isAutomatic,
  neededFaces,
  type ClusterFaces,
  type LetteringFaces,
  type NeededFaces,
} from '../faces/index.ts';
import type { Cluster } from './clusters.ts';
import type { DrawingScale } from './letterOutline.ts';

/** How fine later steps need each letter: by their boxes in the flat layout, and the layout letters in each. */
export type NeedOf = (boxes: readonly Box3[], letters: readonly (readonly number[])[]) => Promise<readonly Need[]>;

/** What later steps need of the faces, and what they have, mm. */
export interface NeedReport {
  needMm: number;
  haveMm: number;
  isAutomatic: boolean;
}

/** How the faces of each cluster are cut. */
export interface FacesPlan {
  facesOf(cluster: Cluster): ClusterFaces;
  /** longest edge along the section, grid steps */
  longestOf(cluster: Cluster): number | undefined;
  expected: number;
  /** undefined where no later step needs any */
  need: NeedReport | undefined;
}

export interface DepthRange {
  back: number;
  front: number;
}

export interface PlanOptions {
  scale: DrawingScale;
  toleranceMm: number;
  supportMm: number;
  /** how far solids reach beyond the outlines, grid steps */
  outward: number;
  /** of a cluster, mm: where its back and front lie */
  depthOf(cluster: Cluster): DepthRange;
  needOf: NeedOf | undefined;
  /** faces are made no finer than this many come to */
  budget: number;
}

/** Times by which needed sizes are given up to stay in the budget, and how often. */
const COARSER = 1.4142135623730951;
const TRIES = 24;

export async function planFaces(
  faces: LetteringFaces,
  clusters: readonly Cluster[],
  options: PlanOptions,
): Promise<FacesPlan> {
  const { needOf } = options;
  if (!needOf)
    return planned(
      clusters.map(() => ({ faces, deepestMm: undefined })),
      { faces, clusters, options, need: undefined },
    );
  const boxes = clusters.map((cluster) => boxOf(cluster, options));
  const needs = await needOf(
    boxes,
    clusters.map(({ members }) => members.map((m) => m.letter)),
  );
  const usualMm = faceSizeMm(faces, options.scale.emMm) ?? Infinity;
  const least = Math.min(...needs.flatMap(({ x, y, z }) => [x, y, z]));
  let times = 1;
  for (let i = 0; ; i++, times *= COARSER) {
    const each = needs.map(({ x, y, z }, k) =>
      neededFaces(faces, { x: x * times, y: y * times, z: z * times }, { box: boxes[k], usualMm }),
    );
    const automatic = isAutomatic(faces);
    const haveMm = automatic ? least * times : chosenMm(faces, clusters, options);
    const need = least < Infinity ? { needMm: least, haveMm, isAutomatic: automatic } : undefined;
    const plan = planned(each, { faces, clusters, options, need });
    if (plan.expected <= options.budget || !automatic || i >= TRIES) return plan;
  }
}

function planned(
  each: readonly NeededFaces[],
  {
    faces,
    clusters,
    options,
    need,
  }: { faces: LetteringFaces; clusters: readonly Cluster[]; options: PlanOptions; need: NeedReport | undefined },
): FacesPlan {
  const { scale, toleranceMm, supportMm, outward, depthOf } = options;
  const known = new Map<string, ClusterFaces>();
  const made = each.map((needed) => {
    const key = spelled(needed.faces);
    const found = known.get(key) ?? clusterFaces(needed.faces, clusters, { scale, toleranceMm, supportMm, outward });
    known.set(key, found);
    return found;
  });
  const index = new Map(clusters.map((cluster, i) => [cluster, i]));
  const numberOf = (cluster: Cluster): number => index.get(cluster) ?? 0;
  const own = faceSizeMm(faces, scale.emMm);
  const longest = each.map(({ faces: one, deepestMm }) => {
    // faces of a chosen style have a size in all directions; plain ones only where a step needs it
    const size = own === undefined ? undefined : faceSizeMm(one, scale.emMm);
    const mm = Math.min(size ?? Infinity, deepestMm ?? Infinity);
    return mm < Infinity ? mm / scale.step : undefined;
  });
  return {
    facesOf: (cluster) => made[numberOf(cluster)],
    longestOf: (cluster) => longest[numberOf(cluster)],
    expected: clusters.reduce((sum, cluster, i) => {
      const { back, front } = depthOf(cluster);
      return sum + expectedFaces(made[i], cluster, (front - back) / scale.step);
    }, 0),
    need,
  };
}

function boxOf(cluster: Cluster, { scale, outward, depthOf }: PlanOptions): Box3 {
  const [x, y] = (['x', 'y'] as const).map((axis) => extentOf(axis, [cluster], outward).map((v) => v * scale.step));
  const { back, front } = depthOf(cluster);
  return { low: [x[0], y[0], back], high: [x[1], y[1], front] };
}
