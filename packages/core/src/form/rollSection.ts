import { cos, PI, plus, sin, type Vec3 } from '../math/index.ts';
import type { FormRing } from './rings.ts';

/** A circle about a place, from outside round below; the rings that follow lie to the left of out and up. */
export function rollSection(
  middle: Vec3,
  { out, up, half, pieces }: { out: Vec3; up: Vec3; half: number; pieces: number },
): FormRing {
  return Array.from({ length: pieces }, (_, i) => {
    const angle = (-2 * PI * i) / pieces;
    return plus(plus(middle, out, half * cos(angle)), up, half * sin(angle));
  });
}
