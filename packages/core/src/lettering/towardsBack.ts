import type { AlongDepth, DepthFrame, DepthLevels } from '../solid/index.ts';
import { aroundBoxes } from '../math/index.ts';
import type { BuiltCluster } from './builtCluster.ts';
import type { LetteringCaches } from './caches.ts';
import { clusterBox } from './clusterBox.ts';

export interface TowardsBack extends AlongDepth {
  /** what turns and narrows: the whole lettering about its middle, or each cluster about its own */
  about: 'whole' | 'letter';
}

/** A cluster with the depths that it was built of. */
export interface DeepCluster extends BuiltCluster {
  depths: DepthLevels;
}

/** All clusters as they change from front to back; equal ones that change alike still share a mesh. */
export function towardsBack(
  clusters: readonly DeepCluster[],
  along: TowardsBack,
  caches: LetteringCaches,
): BuiltCluster[] {
  if (clusters.length === 0) return [];
  const boxes = clusters.map(clusterBox);
  const whole = boxes.reduce(aroundBoxes);
  return clusters.map((cluster, i) => {
    const { low, high } = along.about === 'whole' ? whole : boxes[i];
    const frame: DepthFrame = {
      x: (low[0] + high[0]) / 2 - cluster.x,
      y: (low[1] + high[1]) / 2 - cluster.y,
      frontZ: whole.high[2] - cluster.z,
      backZ: whole.low[2] - cluster.z,
    };
    const solid = { key: cluster.key, of: cluster.mesh };
    const { key, of: mesh } = caches.alongDepth.get({ solid, frame, depths: cluster.depths, along }, undefined);
    const { letters, x, y, z } = cluster;
    return { key, mesh, letters, x, y, z };
  });
}
