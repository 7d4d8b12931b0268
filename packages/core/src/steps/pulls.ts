import { middleOfBox, type Box3, type Vec3 } from '../math/index.ts';
import type { StepHandle } from './definition.ts';

type Limits = { axis: 0 | 1 | 2; from: number; to: number };

export const halfOf = ({ low, high }: Box3, k: number): number => Math.max((high[k] - low[k]) / 2, 1e-6);

/** The axis beside the one that a step acts along: up, or across where it acts along the height. */
export const besideOf = (axis: number): 0 | 1 => (axis === 1 ? 0 : 1);

/** In the middle of the piece, but at the end of the limits. */
export function atEnd(box: Box3, { axis, to }: Limits): Vec3 {
  const place = [...middleOfBox(box)] as Vec3;
  place[axis] = to;
  return place;
}

/** What narrows is pulled at its side, inward. */
export function pulledIn(place: Vec3, box: Box3, { axis }: Limits): StepHandle {
  const beside = besideOf(axis);
  place[beside] = box.high[beside];
  return { does: 'pull', place, axis: beside, field: 'percent', share: -100 / halfOf(box, beside) };
}

/** What moves points by a height is pulled where it moves them to: to the front, unless it says otherwise. */
export function pulledOut(box: Box3, moves: string): StepHandle {
  const axis = moves === 'x' ? 0 : moves === 'y' ? 1 : 2;
  const place = [...middleOfBox(box)] as Vec3;
  place[axis] = box.high[axis];
  return { does: 'pull', place, axis, field: 'heightMm', share: 1 };
}
