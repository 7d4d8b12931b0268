/**
 * Of a quadratic B-spline, for the row before, its own and the next, by how far a place lies from the middle of its
 * own: -0.5 to 0.5.
 */
export const splineWeights = (t: number): [number, number, number] => [
  ((0.5 - t) * (0.5 - t)) / 2,
  0.75 - t * t,
  ((0.5 + t) * (0.5 + t)) / 2,
];
