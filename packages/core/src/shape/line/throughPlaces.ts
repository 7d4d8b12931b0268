import type { StepPath } from '../../fields/index.ts';
import { dot, minus, plus, sizeOf, unit, type Vec3 } from '../../math/index.ts';
import { fill, type PathSpot, type SpaceLine } from './spaceLine.ts';

/** Of 30 degrees: where a row of places turns by more, it has a corner. */
const CORNER_COSINE = 0.8660254037844387;
/** Steps between two places: they are close to each other. */
const A_PIECE = 8;
/** With few places each stretch is long, and measured as finely as other lines. */
const FEW = 64;

/**
 * Through a row of places with the same tangent on both sides of each (Catmull and Rom 1974, weighted by the distances
 * as in de Boor, "A practical guide to splines", IV); straight into and out of corners. `t` counts places.
 */
export function throughPlaces({ placesMm, closed, up }: Extract<StepPath, { kind: 'places' }>): SpaceLine {
  const places = placesMm.filter((place, i) => i === 0 || sizeOf(minus(place, placesMm[i - 1])) > 0);
  const count = closed ? places.length : places.length - 1;
  const placeAt = (i: number): Vec3 => places[(i + places.length) % places.length];
  const wayAt = (i: number): Vec3 => minus(placeAt(i + 1), placeAt(i));
  const hasWay = (i: number): boolean => closed || (i >= 0 && i < count);
  /** the tangent at a place, of length 1, as it comes in or goes out */
  const tangent = (i: number, isOut: boolean): Vec3 => {
    const [before, after] = [i - 1, i].map((k) => (hasWay(k) ? wayAt(k) : undefined));
    if (!before || !after) return unit(before ?? after ?? [1, 0, 0]);
    if (dot(unit(before), unit(after)) < CORNER_COSINE) return unit(isOut ? after : before);
    const [a, b] = [sizeOf(before), sizeOf(after)];
    return unit(plus(before.map((v) => (v * b) / a) as Vec3, after, a / b));
  };
  const pieces = Array.from({ length: count }, (_, i): Stretch => ({
    from: placeAt(i),
    way: wayAt(i),
    out: tangent(i, true),
    into: tangent(i + 1, false),
  }));
  return {
    end: Math.max(1, count),
    closed,
    pieces: Math.max(1, count),
    perPiece: count > FEW ? A_PIECE : undefined,
    up,
    at: (t, at) => {
      if (count < 1) {
        fill(at.place, ...placeAt(0));
        fill(at.speed, 1, 0, 0);
        return at;
      }
      const i = Math.min(count - 1, Math.max(0, Math.floor(t)));
      return hermite(pieces[i], t - i, at);
    },
  };
}

/** From one place to the next, with the tangents at both, of length 1. */
interface Stretch {
  from: Vec3;
  way: Vec3;
  out: Vec3;
  into: Vec3;
}

/**
 * Cubic from a place over a way, with tangents at both ends that are as long as the way; place and derivative by u from
 * 0 to 1.
 */
function hermite({ from, way, out, into }: Stretch, u: number, at: PathSpot): PathSpot {
  const long = sizeOf(way);
  const rest = 1 - u;
  const [a, b, c] = [u * u * (3 - 2 * u), long * u * rest * rest, -long * u * u * rest];
  const [d, e, f] = [6 * u * rest, long * rest * (1 - 3 * u), long * u * (3 * u - 2)];
  for (let k = 0; k < 3; k++) {
    at.place[k] = from[k] + (a * way[k] + b * out[k] + c * into[k]);
    at.speed[k] = d * way[k] + e * out[k] + f * into[k];
  }
  return at;
}
