import type { Vec3 } from '../../math/index.ts';
import { bytesFromBase64, splineWeights } from '../../shape/index.ts';
import type { ReliefStep } from './fields.ts';

/**
 * A picture over the layout, its middle at `atMm`; heights 0 to 1, smoothed by quadratic B-splines so that no pixel
 * shows as a kink.
 */
export function reliefHeight({ columns, rows, heights, atMm, widthMm, repeats }: ReliefStep): (rest: Vec3) => number {
  const bytes = bytesFromBase64(heights);
  const pixel = widthMm / columns;
  const within = (i: number, n: number): number => (repeats ? ((i % n) + n) % n : Math.min(n - 1, Math.max(0, i)));
  const at = (i: number, j: number): number => (bytes[within(j, rows) * columns + within(i, columns)] ?? 0) / 255;
  return ([x, y]) => {
    const u = (x - atMm[0]) / pixel + columns / 2 - 0.5;
    const v = rows / 2 - (y - atMm[1]) / pixel - 0.5;
    if (!repeats && (u < -0.5 || v < -0.5 || u > columns - 0.5 || v > rows - 0.5)) return 0;
    const [i, j] = [Math.round(u), Math.round(v)];
    const [a, b] = [splineWeights(u - i), splineWeights(v - j)];
    let sum = 0;
    for (let q = 0; q < 3; q++) for (let p = 0; p < 3; p++) sum += a[p] * b[q] * at(i + p - 1, j + q - 1);
    return sum;
  };
}

/**
 * How steep a picture of height one is at most, a mm: smoothing makes nothing steeper than the difference of two
 * neighbours.
 */
export function reliefSlope(step: ReliefStep): number {
  const { columns, rows, heights, widthMm, repeats } = step;
  const bytes = bytesFromBase64(heights);
  const at = (i: number, j: number): number => {
    const isBeside = i < 0 || j < 0 || i >= columns || j >= rows;
    if (isBeside && !repeats) return 0;
    return bytes[(((j % rows) + rows) % rows) * columns + (((i % columns) + columns) % columns)] ?? 0;
  };
  let most = 0;
  for (let j = -1; j < rows; j++)
    for (let i = -1; i < columns; i++) {
      const [dx, dy] = [at(i + 1, j) - at(i, j), at(i, j + 1) - at(i, j)];
      most = Math.max(most, dx * dx + dy * dy);
    }
  return (Math.sqrt(most) / 255) * (columns / widthMm);
}
