import type { RingLine } from './ringLine.ts';

export interface GridOptions {
  size: number;
  origin: { x: number; y: number };
  /** of the size: how far points stay away from the rings */
  clearance: number;
  most: number;
}

/**
 * Points of a square grid inside the rings; row by row, so that every ring edge is looked at only where it passes.
 * Undefined when there are too many.
 */
export function gridPoints(
  line: RingLine,
  { size, origin, clearance, most }: GridOptions,
): { x: number; y: number }[] | undefined {
  const { x, y, next } = line;
  const [minY, maxY] = [y.reduce((a, b) => Math.min(a, b), Infinity), y.reduce((a, b) => Math.max(a, b), -Infinity)];
  const found: { x: number; y: number }[] = [];
  const reach = clearance * size;
  for (let j = Math.ceil((minY - origin.y) / size); origin.y + j * size < maxY; j++) {
    const gy = origin.y + j * size;
    const crossings: number[] = [];
    const near: number[] = [];
    for (let i = 0; i < x.length; i++) {
      const to = next[i];
      if (y[i] > gy !== y[to] > gy) crossings.push(x[i] + ((gy - y[i]) / (y[to] - y[i])) * (x[to] - x[i]));
      if (Math.min(y[i], y[to]) < gy + reach && Math.max(y[i], y[to]) > gy - reach) near.push(i);
    }
    crossings.sort((a, b) => a - b);
    for (let k = 0; k + 1 < crossings.length; k += 2) {
      for (let i = Math.ceil((crossings[k] - origin.x) / size); origin.x + i * size < crossings[k + 1]; i++) {
        const gx = origin.x + i * size;
        if (near.some((e) => squareFrom(line, e, gx, gy) < reach * reach)) continue;
        if (found.push({ x: gx, y: gy }) > most) return undefined;
      }
    }
  }
  return found;
}

/** Squared distance of a point from the segment that leaves point i. */
function squareFrom({ x, y, next }: RingLine, i: number, gx: number, gy: number): number {
  const to = next[i];
  const [dx, dy, ex, ey] = [x[to] - x[i], y[to] - y[i], gx - x[i], gy - y[i]];
  const t = Math.min(1, Math.max(0, (ex * dx + ey * dy) / (dx * dx + dy * dy)));
  return (ex - t * dx) * (ex - t * dx) + (ey - t * dy) * (ey - t * dy);
}
