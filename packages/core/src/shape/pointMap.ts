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
  /** of the pattern of the chain's only map, where that was looked up before */
  height?: number;
}

/** A step as a map of points. */
export interface PointMap {
  /** moves outward: which way that is has to be known where the point lies now */
  usesNormal: boolean;
  /** no wave of what it does is shorter, mm */
  featureMm: number;
  /**
   * What a straight line in the piece's flat box bends at most, 1/mm: its second derivative by length, where this map
   * is the first. The middle of a chord then strays by an eighth of that times its length squared. Left out: not known.
   */
  bends?: number;
  /** moves by a height that only the place in the flat layout tells, in shares of its strength; `key` names it */
  pattern?: { key: string; height(rest: Vec3): number };
  /** changes `at` in place, from where steps before have put it */
  move(at: Vec3, point: ChainPoint): void;
  /** the same within a tenth of the tolerance, but faster; left out: there is no faster way */
  moveNear?(at: Vec3, point: ChainPoint): void;
}
