import type { FlatWavefront } from '@fictile/core';

/**
 * A flat front bent by 180 degrees about an upright axis, so that its width is half a circle: the largest distance of
 * its triangles' edges and middles from the bent surface, of the front's width. Faces are cut as fans, as a renderer
 * would.
 */
export function bentDistance({ partition: p, caps }: FlatWavefront, layer: number): number {
  const cap = caps.get(layer);
  if (!cap || cap.nodes.length === 0) return 0;
  const xs = Array.from(cap.nodes, (node) => p.x[node]);
  const [low, high] = [xs.reduce((a, b) => Math.min(a, b)), xs.reduce((a, b) => Math.max(a, b))];
  const radius = (high - low) / Math.PI;
  const at = (node: number): [number, number] => {
    const angle = (p.x[node] - low) / radius;
    return [radius * Math.cos(angle), radius * Math.sin(angle)];
  };
  let most = 0;
  const look = (...corners: [number, number][]): void => {
    const [x, y] = [0, 1].map((k) => corners.reduce((sum, c) => sum + c[k], 0) / corners.length);
    most = Math.max(most, Math.abs(Math.hypot(x, y) - radius));
  };
  for (let f = 0; f + 1 < cap.start.length; f++) {
    const loop = Array.from(cap.nodes.subarray(cap.start[f], cap.start[f + 1]), at);
    for (let k = 1; k + 1 < loop.length; k++) {
      look(loop[0], loop[k]);
      look(loop[k], loop[k + 1]);
      look(loop[k + 1], loop[0]);
      look(loop[0], loop[k], loop[k + 1]);
    }
  }
  return most / (high - low);
}
