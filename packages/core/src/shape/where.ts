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

/** How far a place lies outside, mm; inside 0 or less. */
function outside({ kind, axis, centreMm, sizeMm }: StepPlace, place: Vec3): number {
  const from = minus(place, centreMm);
  const a = axisIndex[axis];
  switch (kind) {
    case 'all':
      return 0;
    case 'ball':
      return sizeOf(from) - sizeMm[0] / 2;
    case 'layer':
      return Math.abs(from[a]) - sizeMm[0] / 2;
    case 'box':
      return sizeOf(from.map((v, k) => Math.max(0, Math.abs(v) - sizeMm[k] / 2)) as Vec3);
    case 'cone': {
      const along = from[a];
      const [b, c] = [from[(a + 1) % 3], from[(a + 2) % 3]];
      const wide = sizeMm[0] > 0 ? (Math.min(1, Math.max(0, along / sizeMm[0])) * sizeMm[1]) / 2 : 0;
      return Math.max(-along, along - sizeMm[0], Math.sqrt(b * b + c * c) - wide);
    }
  }
}
