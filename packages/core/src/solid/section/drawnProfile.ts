import { lengthOf } from '../../math/index.ts';
import type { ProfileKnot, ProfilePoint } from './curves.ts';

/** How finely curves are cut: into so many pieces, or within a tolerance of a profile of this size (mm). */
export type Fineness = { count: number } | { toleranceMm: number; inMm: number; deepMm: number };

const MOST_STEPS = 64;

/**
 * Pieces of a quarter of a curve whose longer half-axis is `radiusMm`: the error of a chord is about r (pi / 2n)^2 / 8.
 */
export const quarterSteps = (radiusMm: number, toleranceMm: number): number =>
  Math.max(1, Math.min(MOST_STEPS, Math.ceil(Math.sqrt((radiusMm * 9.8696) / (32 * toleranceMm)))));

/**
 * A drawn profile as points from its first knot to its last. Between two knots of which one is smooth it is a cubic
 * (Catmull and Rom 1974, weighted by the lengths of the chords); else straight. It never leaves the span of depths from
 * 0 to 1.
 */
export function drawnProfile(knots: readonly ProfileKnot[], fineness: Fineness): ProfilePoint[] {
  const points: ProfilePoint[] = [[knots[0].in, knots[0].down]];
  for (let i = 0; i + 1 < knots.length; i++) {
    const [a, b] = [knots[i], knots[i + 1]];
    if (!a.smooth && !b.smooth) {
      points.push([b.in, b.down]);
      continue;
    }
    const cubic: Cubic = [a, ahead(knots, i, 1), ahead(knots, i + 1, -1), b];
    const n = 'count' in fineness ? fineness.count : piecesOf(cubic, fineness);
    for (let k = 1; k < n; k++) points.push(at(cubic, k / n));
    points.push([b.in, b.down]);
  }
  return points.map(([inward, down]): ProfilePoint => [inward, Math.max(0, Math.min(1, down))]);
}

type ProfilePlace = Pick<ProfileKnot, 'in' | 'down'>;
type Cubic = [ProfilePlace, ProfilePlace, ProfilePlace, ProfilePlace];

/** End of a knot's arm towards its neighbour on one side. */
function ahead(knots: readonly ProfileKnot[], i: number, side: 1 | -1): ProfilePlace {
  const knot = knots[i];
  const near = knots[i + side];
  const other = knots[i - side] as ProfileKnot | undefined;
  const reach = lengthOf(near.in - knot.in, near.down - knot.down);
  if (!knot.smooth || !other)
    return { in: knot.in + (near.in - knot.in) / 3, down: knot.down + (near.down - knot.down) / 3 };
  const behind = lengthOf(other.in - knot.in, other.down - knot.down);
  const share = reach + behind > 0 ? reach / (3 * (reach + behind)) : 0;
  return { in: knot.in + (near.in - other.in) * share, down: knot.down + (near.down - other.down) * share };
}

function at([a, b, c, d]: Cubic, t: number): ProfilePoint {
  const s = 1 - t;
  const [wa, wb, wc, wd] = [s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t];
  return [wa * a.in + wb * b.in + wc * c.in + wd * d.in, wa * a.down + wb * b.down + wc * c.down + wd * d.down];
}

/** As outline/flatten.ts does it. */
function piecesOf([a, b, c, d]: Cubic, fineness: Extract<Fineness, { toleranceMm: number }>): number {
  const bend = (p: ProfilePlace, q: ProfilePlace, r: ProfilePlace): number =>
    lengthOf((p.in - 2 * q.in + r.in) * fineness.inMm, (p.down - 2 * q.down + r.down) * fineness.deepMm);
  const largest = 6 * Math.max(bend(a, b, c), bend(b, c, d));
  return Math.max(1, Math.min(MOST_STEPS, Math.ceil(Math.sqrt(largest / (8 * fineness.toleranceMm)))));
}
