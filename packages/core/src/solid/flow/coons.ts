import type { FlowPatch } from './patch.ts';

/**
 * The four sides of a block as rows of point numbers: bottom and top from left to right, left and right from bottom to
 * top; opposite rows are equally long and share their ends with their neighbours.
 */
export interface FourSides {
  bottom: readonly number[];
  right: readonly number[];
  top: readonly number[];
  left: readonly number[];
}

/**
 * Fills a four-sided block with rows and columns of quads, its inner points by transfinite interpolation (Gordon and
 * Hall 1973).
 */
export function fillFourSides(patch: FlowPatch, { bottom, right, top, left }: FourSides): void {
  const { x, y, quads } = patch;
  const [n, m] = [bottom.length - 1, left.length - 1];
  const us = shares(patch, bottom, top);
  const vs = shares(patch, left, right);
  const between = (z: readonly number[], i: number, j: number): number => {
    // where the lines between opposite marks meet
    const u = us[i] + (j / m) * (us[n + 1 + i] - us[i]);
    const v = vs[j] + (i / n) * (vs[m + 1 + j] - vs[j]);
    const sides = (1 - v) * z[bottom[i]] + v * z[top[i]] + (1 - u) * z[left[j]] + u * z[right[j]];
    const corners =
      (1 - u) * (1 - v) * z[bottom[0]] + u * (1 - v) * z[bottom[n]] + u * v * z[top[n]] + (1 - u) * v * z[top[0]];
    return sides - corners;
  };
  let row: readonly number[] = bottom;
  for (let j = 1; j <= m; j++) {
    const upper: number[] = j === m ? [...top] : [left[j]];
    if (j < m) {
      for (let i = 1; i < n; i++) {
        x.push(between(x, i, j));
        y.push(between(y, i, j));
        upper.push(x.length - 1);
      }
      upper.push(right[j]);
    }
    for (let i = 0; i < n; i++) quads.push(row[i], row[i + 1], upper[i + 1], upper[i]);
    row = upper;
  }
}

/** Shares of length at the marks of two opposite rows, one row after the other. */
function shares({ x, y }: FlowPatch, one: readonly number[], other: readonly number[]): number[] {
  return [one, other].flatMap((row) => {
    const at = [0];
    for (let i = 1; i < row.length; i++) {
      const [dx, dy] = [x[row[i]] - x[row[i - 1]], y[row[i]] - y[row[i - 1]]];
      at.push(at[i - 1] + Math.sqrt(dx * dx + dy * dy));
    }
    const whole = at[at.length - 1];
    return at.map((s, i) => (whole > 0 ? s / whole : i / (row.length - 1)));
  });
}

/** Points numbers of straight steps from one point to another, both ends included. */
export function straightRow({ x, y }: FlowPatch, from: number, to: number, count: number): number[] {
  const row = [from];
  for (let i = 1; i < count; i++) {
    x.push(x[from] + ((x[to] - x[from]) * i) / count);
    y.push(y[from] + ((y[to] - y[from]) * i) / count);
    row.push(x.length - 1);
  }
  return [...row, to];
}
