import type { Named, QuickStage } from '../../base/index.ts';
import { boundingBox } from '../../outline/index.ts';
import { flatWavefront, type Corners } from '../../solid/index.ts';
import { clusterOutline, type ClusterShape } from '../clusterOutline.ts';

export interface ReachInputs {
  cluster: Named<ClusterShape>;
  corners: Corners;
  seed: number;
}

/**
 * The greatest distance from the outline inside a cluster, grid steps: where a front running inward from everywhere
 * ends.
 */
export const CLUSTER_REACH: QuickStage<ReachInputs, { cancelled(): boolean }, number> = {
  name: 'reach',
  make({ cluster, corners, seed }, { cancelled }) {
    const { outline } = clusterOutline(cluster.of);
    const box = boundingBox(outline);
    // no circle inside is larger than half the box
    const end = Math.ceil(Math.min(box.maxX - box.minX, box.maxY - box.minY) / 2) + 16;
    const { em } = cluster.of;
    const { partition } = flatWavefront(outline, { layers: [end], capInsets: [end], em, corners, seed, cancelled });
    return outline.x.length === 0 ? 0 : partition.inset.reduce((a, b) => Math.max(a, b), 0);
  },
  bytesOf: () => BYTES,
};

/** Of a name and what holds it. */
const BYTES = 600;
