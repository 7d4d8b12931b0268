import type { StepPlace } from '../fields/index.ts';
import { axisIndex, minus, sizeOf, type Vec3 } from '../math/index.ts';
import type { ChainPoint } from './pointMap.ts';

/** How strongly a step acts on a point: 1 inside its place, fading to 0 over its border. */
export function shareWhere(where: StepPlace): (point: ChainPoint) => number {
  const { kind, parts, softMm } = where;
  const letters = new Set(where.letters);
  return (point) => {
    if (letters.size > 0 && !letters.has(point.letter)) return 0;
    if (parts === 'fronts' ? !point.isFront : parts === 'sides' && point.isFront) return 0;
    if (kind === 'all') return 1;
    const out = outside(where, point.rest);
    if (out <= 0) return 1;
    if (out >= softMm) return 0;
    const share = 1 - out / softMm;
    return share * share * (3 - 2 * share);
  };
}

/** How far a place lies outside, mm, by the way to it from the middle, or from a cone's tip; inside 0 or less. */
const OUTSIDE: Readonly<Record<StepPlace['kind'], (from: Vec3, a: 0 | 1 | 2, sizeMm: Vec3) => number>> = {
  all: () => 0,
  ball: (from, _, [wide]) => sizeOf(from) - wide / 2,
  layer: (from, a, [thick]) => Math.abs(from[a]) - thick / 2,
  box: (from, _, sizeMm) => sizeOf(from.map((v, k) => Math.max(0, Math.abs(v) - sizeMm[k] / 2)) as Vec3),
  cone: (from, a, [long, broad]) => {
    const along = from[a];
    const [b, c] = [from[(a + 1) % 3], from[(a + 2) % 3]];
    const wide = long > 0 ? (Math.min(1, Math.max(0, along / long)) * broad) / 2 : 0;
    return Math.max(-along, along - long, Math.sqrt(b * b + c * c) - wide);
  },
};

const outside = ({ kind, axis, centreMm, sizeMm }: StepPlace, place: Vec3): number =>
  OUTSIDE[kind](minus(place, centreMm), axisIndex[axis], sizeMm);
