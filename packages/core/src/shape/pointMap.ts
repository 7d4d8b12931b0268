import type { Vec3 } from '../math/index.ts';

/** What is known of a point besides where it lies now. */
export interface ChainPoint {
  /** where it lay in the flat layout */
  rest: Vec3;
  /** where it lies as the chain begins; left out: where earlier steps put its flat place */
  start?: Vec3;
  /** which way is outward, no longer than 1 */
  normal: Vec3;
  /** which way is outward as the chain begins, where that was looked up before; left out: the chain looks it up */
  outward?: Vec3;
  /** id of its letter; -1: none */
  letter: number;
  /** middle of its letter's foot, in the flat layout */
  foot: Vec3;
  /** all faces around it are fronts or backs */
  isFront: boolean;
}

/** A step as a map of points. */
export interface PointMap {
  /** moves outward: which way that is has to be known where the point lies now */
  usesNormal: boolean;
  /** no wave of what it does is shorter, mm */
  featureMm: number;
  /** changes `at` in place, from where steps before have put it */
  move(at: Vec3, point: ChainPoint): void;
  /** the same within a tenth of the tolerance, but faster; left out: there is no faster way */
  moveNear?(at: Vec3, point: ChainPoint): void;
}
