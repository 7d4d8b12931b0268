import type { RunContext } from '../base/index.ts';
import { TriangleTree } from '../surface/index.ts';
import { nodesOf, placeOf, type NodeGrid } from './nodeGrid.ts';

/**
 * How far each node lies from triangles (nine numbers each), mm, exact up to `band`, which stands for all that is
 * farther. Undefined when cancelled.
 */
export async function distances(
  corners: Float64Array,
  grid: NodeGrid,
  band: number,
  { context }: { context: RunContext },
): Promise<Float32Array | undefined> {
  const near = nearNodes(corners, grid, band);
  const tree = new TriangleTree(corners);
  const far = new Float32Array(nodesOf(grid)).fill(band);
  const [across, up, deep] = grid.counts;
  let hint = -1;
  for (let k = 0, node = 0; k < deep; k++) {
    if (context.cancelled()) return undefined;
    for (let j = 0; j < up; j++)
      for (let i = 0; i < across; i++, node++) {
        if (!near[node]) continue;
        const found = tree.closest(placeOf(grid, i, j, k), hint);
        if (!found) continue;
        hint = found.triangle;
        far[node] = Math.min(band, Math.sqrt(found.far));
      }
    await context.breathe();
  }
  return far;
}

/** Nodes in the boxes of triangles, each larger by the band: all others are farther. */
function nearNodes(corners: Float64Array, grid: NodeGrid, band: number): Uint8Array {
  const near = new Uint8Array(nodesOf(grid));
  const { low, size, counts, strides } = grid;
  for (let t = 0; t < corners.length; t += 9) {
    const [from, to] = [
      [0, 0, 0],
      [0, 0, 0],
    ];
    for (let k = 0; k < 3; k++) {
      const [a, b, c] = [corners[t + k], corners[t + 3 + k], corners[t + 6 + k]];
      from[k] = Math.max(0, Math.ceil((Math.min(a, b, c) - band - low[k]) / size));
      to[k] = Math.min(counts[k] - 1, Math.floor((Math.max(a, b, c) + band - low[k]) / size));
    }
    for (let k = from[2]; k <= to[2]; k++)
      for (let j = from[1]; j <= to[1]; j++) {
        const row = strides[2] * k + strides[1] * j;
        near.fill(1, row + from[0], row + to[0] + 1);
      }
  }
  return near;
}
