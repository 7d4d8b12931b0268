import { bordersTouch, type Border } from '../outline/index.ts';
import type { FlatWavefront } from '../solid/index.ts';
import type { Cluster } from './clusters.ts';

export interface ClusterPlan {
  cluster: Cluster;
  flat: FlatWavefront;
}

interface Reached extends ClusterPlan {
  border: Border;
  minX: number;
  maxX: number;
}

/**
 * Letters of clusters that run into another: each plan proves that its own solid is sound, and this proves it of all
 * together, exactly, by the rings that they reach to at most. Sweep from left to right.
 */
export function meetingLetters(plans: readonly ClusterPlan[]): number[] {
  const reached = plans.map(reach).sort((a, b) => a.minX - b.minX);
  const meeting = new Set<number>();
  let active: Reached[] = [];
  for (const here of reached) {
    active = active.filter(({ maxX }) => maxX >= here.minX);
    for (const there of active) {
      const [dx, dy] = [there.cluster.x - here.cluster.x, there.cluster.y - here.cluster.y];
      if (!bordersTouch(here.border, there.border, dx, dy, 0)) continue;
      for (const { letter } of [...here.cluster.members, ...there.cluster.members]) meeting.add(letter);
    }
    active.push(here);
  }
  return [...meeting].sort((a, b) => a - b);
}

function reach(plan: ClusterPlan): Reached {
  const { x, y, rings } = plan.flat.partition;
  const { from, to } = rings[0];
  const at = (values: Float64Array, nodes: Uint32Array): Float64Array =>
    Float64Array.from(nodes, (node) => values[node]);
  const border = { ax: at(x, from), ay: at(y, from), bx: at(x, to), by: at(y, to) };
  const across = (most: (a: number, b: number) => number, start: number): number =>
    plan.cluster.x + border.ax.reduce(most, start);
  return {
    ...plan,
    border,
    minX: across((a, b) => Math.min(a, b), Infinity),
    maxX: across((a, b) => Math.max(a, b), -Infinity),
  };
}
