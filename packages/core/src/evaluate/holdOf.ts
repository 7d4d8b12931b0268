import type { OntoStep } from '../document/index.ts';
import type { Hold } from '../surface/index.ts';

/** How far before the surface the flat layout is held where it is put there, mm. */
export const HELD_BEFORE_MM = 40;

/** How a step holds the flat plane before a model. */
export const holdOf = ({ fromMm, toward, up, turnDegrees }: OntoStep): Hold => ({
  from: fromMm,
  toward,
  up,
  turnDegrees,
});
