import { minus, sizeOf, type Box3, type Vec3 } from '../math/index.ts';
import type { SurfaceMap } from './surfaceMap.ts';

/** Places of a line that are looked at. */
const PLACES = 120;
/** Of those, how many lie between two of them at least before they may meet. */
const APART = 20;
/** Of the way from one place to the next: nearer than that it is the same. */
const SAME = 0.75;

/**
 * How long a line of a plane is that was laid round a model until it comes back to itself, mm; undefined where it does
 * not, from one side of a box to the other. By its middle.
 */
export function girthOf(surface: SurfaceMap, { low, high }: Box3): number | undefined {
  const y = (low[1] + high[1]) / 2;
  const step = (high[0] - low[0]) / (PLACES - 1);
  const line = Array.from({ length: PLACES }, (_, i): Vec3 => surface.rough(low[0] + i * step, y, 0).at);
  for (let between = APART; between < PLACES; between++)
    for (let i = 0; i + between < PLACES; i++)
      if (sizeOf(minus(line[i], line[i + between])) < SAME * step) return between * step;
  return undefined;
}
