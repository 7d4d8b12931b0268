import { dot, minus, plus, sizeOf, unit, type Vec3 } from '../math/index.ts';
import { MeasuredPath, throughPlaces } from '../shape/index.ts';
import type { Target } from './target.ts';
import type { Walker } from './walk.ts';

/** Places that are looked at between two of the edge's own. */
const BETWEEN = 4;
const HALVINGS = 40;

/**
 * Somebody on a model's edge or loop, by the length along it from its place nearest to where `start` stands, looking the way that `start` looks.
 * Only edges that run that way are meant. Beyond the ends of an open one straight on, beside the model. Undefined where the model has none.
 */
export function edgeGuide(target: Target, start: Walker): ((x: number) => Walker) | undefined {
  const line = target.edgeLine(start.at, start.way);
  if (!line) return undefined;
  const { places: placesMm, closed, up } = line;
  const path = new MeasuredPath(throughPlaces({ kind: 'places', placesMm, closed, up }), false);
  const zero = nearestOn(path, start.at, BETWEEN * placesMm.length);
  const sign = dot(path.at(zero).along, start.way) < 0 ? -1 : 1;
  return (x) => {
    const s = zero + sign * x;
    const { place, along } = path.at(s);
    const near = target.closest(place, start.triangle);
    const normal = target.normalAt(near);
    const ahead = along.map((v) => sign * v) as Vec3;
    const way = unit(plus(ahead, normal, -dot(ahead, normal)));
    const isOff = !closed && (s < 0 || s > path.length);
    return { at: isOff ? place : near.at, triangle: near.triangle, way, normal, isOff };
  };
}

/** Length along a path at which it is nearest to a place. */
function nearestOn(path: MeasuredPath, at: Vec3, count: number): number {
  const far = (s: number): number => sizeOf(minus(path.at(s).place, at));
  const step = path.length / count;
  let best = 0;
  for (let i = 1; i <= count; i++) if (far(i * step) < far(best * step)) best = i;
  let [low, high] = [(best - 1) * step, (best + 1) * step];
  if (!path.closed) [low, high] = [Math.max(0, low), Math.min(path.length, high)];
  for (let i = 0; i < HALVINGS; i++) {
    const [a, b] = [low + (high - low) / 3, high - (high - low) / 3];
    if (far(a) < far(b)) high = b;
    else low = a;
  }
  return (low + high) / 2;
}
