import type { Box3, Vec3 } from '../math/index.ts';
import type { PointMap } from './pointMap.ts';

/** A step, as far as a chain knows it. */
export interface ChainStep {
  readonly id: string;
  readonly kind: string;
  readonly on: boolean;
}

/** What a step is told of the piece, and of the steps before it. */
export interface Before {
  /** of the whole piece in the flat layout */
  box: Box3;
  /** where steps before have put a place of the flat layout */
  mark(rest: Vec3): Vec3;
  /** how the piece, as it comes to the step, is laid onto another; undefined: it is not */
  lay(step: ChainStep): PointMap | undefined;
}

/** Ends that come together. */
export interface Touching {
  /** where, in the flat layout */
  place: Vec3;
  /** the largest value at which they do not */
  limit: number;
}

/** What a step that moves points by a height knows of its pattern. */
export interface Displacing<S> {
  /** its height, mm; undefined: it does not move outward */
  outwardMm(step: S): number | undefined;
  /** how steep the pattern is at most with a height of one, a mm; undefined where it does not act on the whole piece */
  slope(step: S): number | undefined;
}

/** A step that moves points and leaves faces alone. */
export interface Moving<S> {
  /** of one step, or of several that are one; undefined: it moves nothing */
  map(steps: readonly S[], before: Before): PointMap | undefined;
  /** steps that follow one another and are one map; left out: never */
  joins?(step: S, next: S): boolean;
  /** whether it can turn little volumes inside out */
  canFold(step: S): boolean;
  /** how much of a little volume its map leaves, where it knows that itself; `at`: as it comes to the step */
  left?(map: PointMap, at: Vec3): number;
  touches?(steps: readonly S[], map: PointMap): Touching | undefined;
  displaces?: Displacing<S>;
  /** the value that its strength lies in */
  strength?: keyof S & string;
}

/** How a step moves points; throws for those that do not. */
export type MovingOf = (step: ChainStep) => Moving<ChainStep>;
