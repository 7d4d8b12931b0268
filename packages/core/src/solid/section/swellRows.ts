import { cos, PI, sin } from '../../math/index.ts';
import type { EdgeRow, Swell } from './shapes.ts';

/** Past the greatest distance: there no front is left. */
const BEYOND = 1.0001;
/** Rises of a soft curve's start beyond this would overshoot. */
const STEEPEST = 3;

/**
 * A swelling front from its middle to just above its rim, mm: how far in, and how far above the rim. `edge`: rows that
 * follow, the rim's first. The last row before the rim is the last one here.
 */
export function swellRows(
  { mm, curve, steps, reachMm }: Swell,
  edge: readonly EdgeRow[],
): { inMm: number; upMm: number }[] {
  const rim = edge[0].inMm;
  const across = reachMm * BEYOND - rim;
  if (mm <= 0 || across <= 0) return [];
  const start = Math.min(STEEPEST, (slopeAt(edge) * across) / mm);
  const count = curve === 'straight' ? 1 : steps;
  return Array.from({ length: count }, (_, i) => {
    const t = 1 - i / count;
    const [inward, up] = swollen(curve, t, start);
    return { inMm: rim + across * inward, upMm: mm * up };
  });
}

/** How steeply an edge comes up to its rim; endless where it stands upright. */
function slopeAt(edge: readonly EdgeRow[]): number {
  if (edge.length < 2) return Infinity;
  const across = edge[0].inMm - edge[1].inMm;
  const down = edge[1].downMm - edge[0].downMm;
  return across > 0 ? down / across : Infinity;
}

/** In shares of the way to the middle and of the height. */
function swollen(curve: Swell['curve'], t: number, start: number): [inward: number, up: number] {
  if (curve === 'straight') return [t, t];
  if (curve === 'round') return [1 - cos((t * PI) / 2), sin((t * PI) / 2)];
  // Hermite: from the edge's slope to level
  return [t, start * (t * t * t - 2 * t * t + t) + t * t * (3 - 2 * t)];
}
