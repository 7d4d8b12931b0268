import type { NodeGrid } from './nodeGrid.ts';

/**
 * Each value mixed with its neighbours along one axis after the other, so many times: by thirds like a bell (binomial 1
 * 2 1). Changes the values.
 */
export function smoothed(values: Float32Array, { counts, strides }: NodeGrid, times: number): Float32Array {
  for (let t = 0; t < times; t++)
    for (let axis = 0; axis < 3; axis++) {
      const stride = strides[axis];
      const length = counts[axis];
      for (let start = 0; start < values.length; start++) {
        if (Math.floor(start / stride) % length !== 0) continue;
        let before = values[start];
        for (let n = 0, at = start; n + 1 < length; n++, at += stride) {
          const own = values[at];
          values[at] = (before + 2 * own + values[at + stride]) / 4;
          before = own;
        }
      }
    }
  return values;
}
