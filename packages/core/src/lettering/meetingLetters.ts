import { keptBy } from '../base/index.ts';
import { bordersTouch, boundingBox, type Border, type Box } from '../outline/index.ts';
import type { FlatWavefront } from '../solid/index.ts';
import type { Cluster } from './clusters.ts';

export interface ClusterPlan {
  cluster: Cluster;
  flat: FlatWavefront;
}

interface Reached {
  cluster: Cluster;
  border: Border;
  /** in the piece */
  box: Box;
}

/**
 * Letters of clusters that run into another: each plan proves that its own solid is sound, and this proves it of all
 * together, exactly, by the rings that they reach to at most. Sweep from left to right.
 */
export function meetingLetters(plans: readonly ClusterPlan[]): number[] {
  const reached = plans.map(reach).sort((a, b) => a.box.minX - b.box.minX);
  const meeting = new Set<number>();
  let active: Reached[] = [];
  for (const here of reached) {
    active = active.filter(({ box }) => box.maxX >= here.box.minX);
    for (const there of active) {
      if (there.box.minY > here.box.maxY || here.box.minY > there.box.maxY) continue;
      const [dx, dy] = [there.cluster.x - here.cluster.x, there.cluster.y - here.cluster.y];
      if (!bordersTouch(here.border, there.border, dx, dy, 0)) continue;
      for (const { letter } of [...here.cluster.members, ...there.cluster.members]) meeting.add(letter);
    }
    active.push(here);
  }
  return [...meeting].sort((a, b) => a - b);
}

function reach({ cluster, flat }: ClusterPlan): Reached {
  const { border, box } = outermost(flat);
  const { x, y } = cluster;
  return {
    ...{ cluster, border },
    box: { minX: x + box.minX, maxX: x + box.maxX, minY: y + box.minY, maxY: y + box.maxY },
  };
}

/** The rings that a plan reaches to at most, about the cluster's own zero. */
const outermost = keptBy((flat: FlatWavefront): { border: Border; box: Box } => {
  const { x, y, rings } = flat.partition;
  const { from, to } = rings[0];
  const at = (values: Float64Array, nodes: Uint32Array): Float64Array =>
    Float64Array.from(nodes, (node) => values[node]);
  const border = { ax: at(x, from), ay: at(y, from), bx: at(x, to), by: at(y, to) };
  return { border, box: boundingBox({ x: border.ax, y: border.ay }) };
});
