import { LIMITS } from '../../base/index.ts';
import { choice, count, length } from '../../fields/index.ts';

const apart = () => length(0.1, 10_000, { usual: 100, step: 1 });

/** How linked copies are set about what they follow, when they are made. */
export const ARRANGEMENT = {
  kind: choice(['row', 'grid', 'circle']),
  /** in a row or round a circle: how many more there will be */
  count: count(1, LIMITS.pieces, { usual: 9 }),
  toward: choice(['right', 'up', 'down', 'back']),
  apartMm: apart(),
  /** of a grid, with the one that is there in its corner */
  across: count(1, LIMITS.pieces, { usual: 3 }),
  down: count(1, LIMITS.pieces, { usual: 3 }),
  apartDownMm: apart(),
  radiusMm: apart(),
  plane: choice(['lies', 'stands']),
  turned: choice(['turned', 'upright']),
};
