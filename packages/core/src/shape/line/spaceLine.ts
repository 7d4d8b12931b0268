import type { Vec3 } from '../../math/index.ts';

/** A place of a line, and how it goes on there: its derivative. */
export interface PathSpot {
  place: Vec3;
  speed: Vec3;
}

/** A line in space by a parameter from 0 to `end`. */
export interface SpaceLine {
  end: number;
  closed: boolean;
  /** pieces that are smooth in themselves, for measuring */
  pieces: number;
  /** places that each is measured at, where the usual number is not needed */
  perPiece?: number;
  /** `into` is filled and given back: a hand that pulls asks a hundred thousand times */
  at(t: number, into: PathSpot): PathSpot;
  /** up at the start */
  up: Vec3;
}

export const pathSpot = (): PathSpot => ({ place: [0, 0, 0], speed: [0, 0, 0] });

export function fill(at: Vec3, x: number, y: number, z: number): void {
  at[0] = x;
  at[1] = y;
  at[2] = z;
}
