import type { Pivot } from '@fictile/core';
import { texts } from '../words/index.ts';

/** One of the 27 places of a box. */
export type Spot = Pick<Extract<Pivot, { kind: 'box' }>, 'across' | 'up' | 'deep'>;

const ACROSS = ['left', 'middle', 'right'] as const;
const UP = ['top', 'middle', 'foot'] as const;
/** As one meets them, looking from the front. */
export const DEPTHS = ['front', 'middle', 'back'] as const;

/** Those of one depth, as one reads. */
export const spotsAt = (deep: Spot['deep']): Spot[] =>
  UP.flatMap((up) => ACROSS.map((across) => ({ across, up, deep })));

export const ALL_SPOTS: readonly Spot[] = DEPTHS.flatMap(spotsAt);

export const spotKey = ({ across, up, deep }: Spot): string => `${across} ${up} ${deep}`;

/** "upper left front corner", "upper left edge", "middle of the foot", "middle". */
export function spotName({ across, up, deep }: Spot): string {
  const t = texts.pivot;
  const sides = [up, across, deep].filter((side) => side !== 'middle');
  if (sides.length === 0) return t.middle;
  if (sides.length === 1) return t.middleOf(t.sides[sides[0]]);
  const among = sides.map((side) => t.among[side]).join(' ');
  return sides.length === 2 ? t.edge(among) : t.corner(among);
}
