import { type Box3, middleOfBox, type Vec3 } from '../math/index.ts';
import type { PointMap } from './pointMap.ts';
import { spanOf, type Span } from './span.ts';

/** A step that acts along an axis, between limits. */
export interface AlongStep {
  axis: 'x' | 'y' | 'z';
  whole: boolean;
  fromMm: number;
  toMm: number;
  middle?: boolean;
  centreMm?: Vec3;
}

/** Where such a step acts: its span, what stays, and the two axes across it. */
export interface Along {
  span: Span;
  centre: Vec3;
  across: readonly [0 | 1 | 2, 0 | 1 | 2];
}

/** Steps whose strength grows along an axis: how far along is told by the place in the flat layout. */
export function alongAxisMap(
  step: AlongStep,
  box: Box3,
  of: (along: Along) => Pick<PointMap, 'featureMm' | 'move' | 'bends'>,
): PointMap {
  const span = spanOf(step, box);
  const centre = step.middle === false && step.centreMm ? step.centreMm : middleOfBox(box);
  const across = [(span.axis + 1) % 3, (span.axis + 2) % 3] as [0 | 1 | 2, 0 | 1 | 2];
  return { usesNormal: false, ...of({ span, centre, across }) };
}

export const spanLength = ({ from, to }: Span): number => to - from;

/** What grows evenly over all of it is a straight map; what happens between limits may be over within them. */
export const evenFeature = ({ whole, ease }: { whole: boolean; ease: string }, span: Span): number =>
  whole && ease === 'even' ? Infinity : spanLength(span);

/** Makes what is across the axis larger or smaller about what stays. */
export function scaleAcross(at: Vec3, { centre, across: [b, c] }: Along, by: number): void {
  at[b] = centre[b] + (at[b] - centre[b]) * by;
  at[c] = centre[c] + (at[c] - centre[c]) * by;
}
