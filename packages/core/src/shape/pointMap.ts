/** Across, up, towards the viewer; mm. */
export type Vec3 = [number, number, number];

export interface Box3 {
  low: Vec3;
  high: Vec3;
}

/** What is known of a point besides where it lies now. */
export interface ChainPoint {
  /** where it lay in the flat layout */
  rest: Vec3;
  /** unit normal, outward */
  normal: Vec3;
  /** id of its letter; -1: none */
  letter: number;
  /** middle of its letter's foot, in the flat layout */
  foot: Vec3;
  /** all faces around it are fronts or backs */
  isFront: boolean;
}

/** A step as a map of points. */
export interface PointMap {
  /** moves by the normal, which has to be known where the point lies now */
  usesNormal: boolean;
  /** no wave of what it does is shorter, mm */
  featureMm: number;
  /** changes `at` in place, from where steps before have put it */
  move(at: Vec3, point: ChainPoint): void;
}

export const X = 0;
export const Y = 1;
export const Z = 2;
export const axisIndex = { x: X, y: Y, z: Z } as const;

export const cross = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const sizeOf = (a: Vec3): number => Math.sqrt(dot(a, a));
export const minus = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
/** a + s b */
export const plus = (a: Vec3, b: Vec3, s = 1): Vec3 => [a[0] + s * b[0], a[1] + s * b[1], a[2] + s * b[2]];

/** Of length 1; what has no length stays. */
export function unit(a: Vec3): Vec3 {
  const size = sizeOf(a);
  return size > 0 ? [a[0] / size, a[1] / size, a[2] / size] : a;
}

export const middleOfBox = ({ low, high }: Box3): Vec3 => [
  (low[0] + high[0]) / 2,
  (low[1] + high[1]) / 2,
  (low[2] + high[2]) / 2,
];

export const diagonalOf = ({ low, high }: Box3): number => sizeOf(minus(high, low));
