import type { FlatWavefront } from '@fictile/core';

export interface CapQuality {
  quads: number;
  others: number;
  /** least sine of the corners, of every quad */
  jacobians: number[];
  /**
   * of those that lie two sizes away from corners of the front that are narrower themselves: quads have to stand in
   * them
   */
  free: number[];
  /** inner points where not four quads meet, and all inner points */
  irregular: number;
  inner: number;
}

/** Measured anew from the cap's points: nothing that was known while it was filled is used. */
export function capQuality({ partition: p, caps }: FlatWavefront, layer: number, size: number): CapQuality {
  const cap = caps.get(layer);
  const found: CapQuality = { quads: 0, others: 0, jacobians: [], free: [], irregular: 0, inner: 0 };
  if (!cap) return found;
  const narrow = narrowCorners(p, layer);
  const meets = new Map<number, number>();
  for (let f = 0; f + 1 < cap.start.length; f++) {
    const loop = cap.nodes.subarray(cap.start[f], cap.start[f + 1]);
    for (const node of loop) meets.set(node, (meets.get(node) ?? 0) + 1);
    if (loop.length !== 4) found.others++;
    else {
      found.quads++;
      const sine = leastSine(loop, p.x, p.y);
      found.jacobians.push(sine);
      const isNear = (node: number): boolean =>
        narrow.some((n) => Math.hypot(p.x[n] - p.x[node], p.y[n] - p.y[node]) < 2 * size);
      if (!loop.some(isNear)) found.free.push(sine);
    }
  }
  const rim = new Set(p.rings[layer].from);
  for (const [node, count] of meets) {
    if (rim.has(node)) continue;
    found.inner++;
    if (count !== 4) found.irregular++;
  }
  return found;
}

/** The sine that fronts are asked for. */
const WANTED = 0.6;

/** Nodes of a front's rim whose own corner has a smaller sine than is asked of quads. */
function narrowCorners(p: FlatWavefront['partition'], layer: number): number[] {
  const { from, to } = p.rings[layer];
  const next = new Map(Array.from(from, (node, i) => [node, to[i]]));
  const found: number[] = [];
  for (const [a, b] of next) {
    const c = next.get(b) ?? a;
    const [ux, uy, vx, vy] = [p.x[c] - p.x[b], p.y[c] - p.y[b], p.x[a] - p.x[b], p.y[a] - p.y[b]];
    const sine = (ux * vy - uy * vx) / Math.sqrt((ux * ux + uy * uy) * (vx * vx + vy * vy));
    if (ux * vx + uy * vy > 0 && sine > 0 && sine < WANTED) found.push(b);
  }
  return found;
}

function leastSine(loop: Uint32Array, x: Float64Array, y: Float64Array): number {
  let least = 1;
  loop.forEach((b, k) => {
    const [a, c] = [loop[(k + 3) % 4], loop[(k + 1) % 4]];
    const [ux, uy, vx, vy] = [x[c] - x[b], y[c] - y[b], x[a] - x[b], y[a] - y[b]];
    least = Math.min(least, (ux * vy - uy * vx) / Math.sqrt((ux * ux + uy * uy) * (vx * vx + vy * vy)));
  });
  return least;
}
