import type { Partition } from './plan.ts';

/**
 * Of what lies inside a layer: its pieces less their holes (Euler characteristic). Rings that touch in a node count as
 * one or as two.
 */
export function eulerOf({ x, y, rings }: Partition, layer: number): number {
  const { from, to } = rings[layer];
  const leaving = new Map<number, number[]>();
  from.forEach((node, i) => leaving.set(node, [...(leaving.get(node) ?? []), to[i]]));
  let euler = 0;
  for (const start of leaving.keys()) {
    let area = 0;
    let at = start;
    for (let next = leaving.get(at)?.pop(); next !== undefined; next = leaving.get(at)?.pop()) {
      area += x[at] * y[next] - x[next] * y[at];
      at = next;
    }
    euler += Math.sign(area);
  }
  return euler;
}
