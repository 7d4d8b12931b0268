/** Of the usual distance between points: what a point without a partner costs. */
const ALONE = 1.5;

/** Of the distance across: rows may lean that far without costing much, and what it costs all the same. */
const MAY_LEAN = 0.6;
const LEANS = 0.05;

/** Points of a ring in order, and their ring's direction there, of length 1. */
export interface PointRow {
  x: readonly number[];
  y: readonly number[];
  right: readonly number[];
  up: readonly number[];
  /** the usual distance between two of them */
  spacing: number;
}

/**
 * Two rows of points across from each other, walked in opposite directions: which go together, in order, so that the
 * sum of their distances along the rows is least, where a point may also stay alone (Needleman and Wunsch 1970). Gives
 * by edge of each row how many points of the other one lie alone across from it.
 */
export function pairUp(one: PointRow, other: PointRow): [number[], number[]] {
  const [a, b] = [one.x.length, other.x.length];
  const alone = ALONE * Math.min(one.spacing, other.spacing);
  const apartBy = (i: number, j: number): number => {
    const [dx, dy] = [other.x[j] - one.x[i], other.y[j] - one.y[i]];
    const by = Math.abs(dx * (one.right[i] - other.right[j]) + dy * (one.up[i] - other.up[j])) / 2;
    const across = Math.abs(dx * (one.up[i] - other.up[j]) - dy * (one.right[i] - other.right[j])) / 2;
    return Math.max(LEANS * by, by - MAY_LEAN * across);
  };
  const width = b + 1;
  const cost = new Float64Array((a + 1) * width);
  for (let i = 0; i <= a; i++) {
    for (let j = 0; j <= b; j++) {
      if (i === 0 || j === 0) cost[i * width + j] = (i + j) * alone;
      else {
        const together = cost[(i - 1) * width + j - 1] + apartBy(i - 1, b - j);
        const apart = Math.min(cost[(i - 1) * width + j], cost[i * width + j - 1]) + alone;
        cost[i * width + j] = Math.min(together, apart);
      }
    }
  }
  const [first, second] = [new Array<number>(a + 1).fill(0), new Array<number>(b + 1).fill(0)];
  for (let [i, j] = [a, b]; i > 0 || j > 0;) {
    const here = cost[i * width + j];
    if (i > 0 && j > 0 && here === cost[(i - 1) * width + j - 1] + apartBy(i - 1, b - j)) {
      i--;
      j--;
    } else if (j === 0 || (i > 0 && here === cost[(i - 1) * width + j] + alone)) {
      i--;
      second[b - j]++;
    } else {
      j--;
      first[i]++;
    }
  }
  return [first, second];
}
