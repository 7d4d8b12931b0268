import { orient2d } from '../math/index.ts';
import { doubledArea, toRings } from '../outline/index.ts';
import type { FlatWavefront } from '../solid/index.ts';

/** Corners of every face of a layer's cap, as points. */
export function capLoops({ partition: p, caps }: FlatWavefront, layer: number): (readonly [number, number])[][] {
  const cap = caps.get(layer);
  if (!cap) return [];
  return Array.from({ length: cap.start.length - 1 }, (_, f) =>
    Array.from(cap.nodes.subarray(cap.start[f], cap.start[f + 1]), (node) => [p.x[node], p.y[node]] as const),
  );
}

/** Whether a loop turns left at every corner, exactly. */
export const isConvex = (loop: readonly (readonly [number, number])[]): boolean =>
  loop.every((a, i) => {
    const [b, c] = [loop[(i + 1) % loop.length], loop[(i + 2) % loop.length]];
    return orient2d(a[0], a[1], b[0], b[1], c[0], c[1]) > 0;
  });

export const loopArea = (loop: readonly (readonly [number, number])[]): number =>
  loop.reduce((sum, [x, y], i) => {
    const [u, v] = loop[(i + 1) % loop.length];
    return sum + (x - loop[0][0]) * (v - loop[0][1]) - (u - loop[0][0]) * (y - loop[0][1]);
  }, 0);

/** Doubled area of a flat wavefront's own outline. */
export const outlineArea = ({ outline }: FlatWavefront): number =>
  toRings(outline).reduce((sum, ring) => sum + doubledArea(ring), 0);
