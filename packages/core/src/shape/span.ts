import type { Ease } from '../fields/index.ts';
import { axisIndex, type Box3, type Vec3 } from '../math/index.ts';

/** A stretch of the flat layout along an axis, mm. */
export interface Span {
  axis: 0 | 1 | 2;
  from: number;
  to: number;
}

export function spanOf(
  { axis, whole, fromMm, toMm }: { axis: 'x' | 'y' | 'z'; whole: boolean; fromMm: number; toMm: number },
  { low, high }: Box3,
): Span {
  const a = axisIndex[axis];
  if (whole) return { axis: a, from: low[a], to: high[a] };
  return { axis: a, from: Math.min(fromMm, toMm), to: Math.max(fromMm, toMm) };
}

/** How far along a span a place lies: 0 before it, 1 beyond. A span of no length is passed at once. */
export function shareAlong({ axis, from, to }: Span, place: Vec3): number {
  const value = place[axis];
  if (to <= from) return value <= from ? 0 : 1;
  return Math.min(1, Math.max(0, (value - from) / (to - from)));
}

/** 0 -> 0, 1 -> 1. */
export function eased(share: number, ease: Ease): number {
  if (ease === 'even') return share;
  if (ease === 'soft') return share * share * (3 - 2 * share);
  return ease === 'late' ? share * share : share * (2 - share);
}
