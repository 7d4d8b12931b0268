import { cos, PI, sin } from '../../math/index.ts';
import type { EdgeShape } from './shapes.ts';

export interface Flare {
  /** mm */
  radius: number;
  /** how far the cap lies beyond the surface that the wall opens into, mm */
  over: number;
  /** pieces of the arc; one is a chamfer */
  steps: number;
}

/**
 * How far a wall leans where it reaches the surface: what is left is shaded smooth. Steeper ones stray sideways by more
 * than they are off in height (docs/geometry.md).
 */
const LEAN_DEGREES = 60;

/**
 * A wall that opens outward like the mouth of a bell, from the cap down to the outline: an arc, then straight through
 * the surface.
 */
export function flareEdge({ radius, over, steps }: Flare): EdgeShape {
  const lean = (LEAN_DEGREES * PI) / 180;
  const outmost = flareWidth({ radius, over });
  const rows = [{ inMm: 0 - outmost, downMm: 0 }];
  for (let i = steps; i >= 0; i--) {
    const t = (lean * i) / steps;
    rows.push({ inMm: 0 - radius * (1 - cos(t)), downMm: 2 * over + radius * (sin(lean) - sin(t)) });
  }
  return { kind: 'rows', rows };
}

/** From the outline to the rim at the cap, mm. */
export function flareWidth({ radius, over }: Omit<Flare, 'steps'>): number {
  return lipWidth({ radius, over: 2 * over });
}

/** From the outline to where the flare meets the surface, mm. */
export function lipWidth({ radius, over }: Omit<Flare, 'steps'>): number {
  const lean = (LEAN_DEGREES * PI) / 180;
  return radius * (1 - cos(lean)) + (over * sin(lean)) / cos(lean);
}
