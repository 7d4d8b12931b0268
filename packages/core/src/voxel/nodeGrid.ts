import type { Box3, Vec3 } from '../math/index.ts';

/** Nodes of a regular grid in space, x running fastest. */
export interface NodeGrid {
  low: Vec3;
  /** between neighbours, mm */
  size: number;
  /** nodes across, up and deep */
  counts: Vec3;
  /** how far the number of a node grows by a step along each axis */
  strides: Vec3;
}

/** Around a box with so much room on every side. */
export function nodeGrid({ low, high }: Box3, size: number, room: number): NodeGrid {
  const counts = low.map((v, k) => Math.ceil((high[k] - v + 2 * room) / size) + 1) as Vec3;
  return {
    low: low.map((v) => v - room) as Vec3,
    size,
    counts,
    strides: [1, counts[0], counts[0] * counts[1]],
  };
}

export const nodesOf = ({ counts: [a, b, c] }: NodeGrid): number => a * b * c;

export const placeOf = ({ low, size }: NodeGrid, i: number, j: number, k: number): Vec3 => [
  low[0] + i * size,
  low[1] + j * size,
  low[2] + k * size,
];
