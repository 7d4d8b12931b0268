import type { OntoStep } from '../document/index.ts';
import type { Hold } from '../surface/index.ts';

/** How a step holds the flat plane before a model. */
export const holdOf = ({ fromMm, toward, up, turnDegrees }: OntoStep): Hold => ({
  from: fromMm,
  toward,
  up,
  turnDegrees,
});
