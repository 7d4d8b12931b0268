import type { Vec3 } from '../../math/index.ts';

/** A line in space by a parameter from 0 to `end`. */
export interface SpaceLine {
  end: number;
  closed: boolean;
  /** pieces that are smooth in themselves, for measuring */
  pieces: number;
  /** places that each is measured at, where the usual number is not needed */
  perPiece?: number;
  /** place and derivative */
  at(t: number): { place: Vec3; speed: Vec3 };
  /** up at the start */
  up: Vec3;
}
