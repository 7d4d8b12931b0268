import { fromRings, type Outline, type VertexRing } from '../outline/index.ts';

/** A ring through points, each edge its own line of the drawing, every vertex a corner. */
export const ringOf = (points: readonly (readonly [number, number])[], letter = 0): VertexRing =>
  points.map(([x, y], i) => ({ x, y, curve: i, t0: 0, t1: 1, letter, corner: 1 }));

export const rectangle = (x: number, y: number, width: number, height: number, letter = 0): VertexRing =>
  ringOf(
    [
      [x, y],
      [x + width, y],
      [x + width, y + height],
      [x, y + height],
    ],
    letter,
  );

export const outlineOfRings = (...rings: VertexRing[]): Outline => fromRings(rings);
