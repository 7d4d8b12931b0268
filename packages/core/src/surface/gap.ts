import type { Vec3 } from '../math/index.ts';
import type { OntoMap } from './ontoMap.ts';
import type { Target } from './target.ts';

/** Of the tolerance: what lies farther off is told. */
const TOLD = 1.5;

/**
 * How far in mm a point of laid lettering lies where it should not: below zero under the surface, above zero as part of
 * a back that stands over its place; 0 where it is neither. `flat`: where it comes to the map, `place`: where it has
 * come to.
 */
export function gapAt(map: OntoMap, target: Target, { flat, place }: { flat: Vec3; place: Vec3 }): number {
  const { box, lift, toleranceMm } = map.options;
  const isBack = flat[2] <= box.low[2] + 1e-9 * Math.max(1, box.high[2] - box.low[2]);
  if (!isBack && map.heightOf(flat[2]) <= toleranceMm) return 0;
  const real = target.heightOf(place);
  if (!isBack) return real < -TOLD * toleranceMm ? real : 0;
  const over = real - Math.max(0, lift);
  return over > TOLD * toleranceMm ? over : 0;
}
