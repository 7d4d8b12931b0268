import { dot, minus, plus, sizeOf, unit, type Vec3 } from '../math/index.ts';
import { MeasuredPath, throughPlaces } from '../shape/index.ts';
import type { Target } from './target.ts';
import { turnedOn, walk, type Walker, type WalkOptions } from './walk.ts';

/** Places that are looked at between two of the edge's own. */
const BETWEEN = 4;
const HALVINGS = 40;

/** Of the model's diagonal: places of a drawn line stand no farther apart once they are on the surface. */
const DRAWN_STEP = 1 / 200;

/** Somebody on a line over a model, by the length along it from where it is begun. */
export type GuideLine = (x: number) => Walker;

/** Along a model's edge or loop that runs the way `start` does. Undefined where the model has none. */
export function edgeGuide(target: Target, start: Walker): GuideLine | undefined {
  const line = target.edgeLine(start.at, start.way);
  return line && alongLine(target, { kind: 'places', placesMm: line.places, closed: line.closed, up: line.up }, start);
}

/**
 * Through places on or near a model, smooth but for corners, on its surface all the way and beyond its ends. Undefined
 * where fewer than two differ.
 */
export function drawnGuide(
  target: Target,
  placesMm: readonly Vec3[],
  { start, onward }: { start: Walker; onward: WalkOptions },
): GuideLine | undefined {
  if (!placesMm.some((place) => sizeOf(minus(place, placesMm[0])) > 0)) return undefined;
  const row: PlacesPath = { kind: 'places', placesMm: [...placesMm], closed: false, up: start.normal };
  const path = new MeasuredPath(throughPlaces(row), false);
  const count = Math.min(MOST_PLACES, Math.max(2, Math.ceil(path.length / (DRAWN_STEP * target.diagonal))));
  const near: Vec3[] = [];
  let hint: number | undefined;
  for (let i = 0; i <= count; i++) {
    const place = target.closest(path.at((i / count) * path.length).place, hint);
    hint = place.triangle;
    near.push(place.at);
  }
  return alongLine(target, { ...row, placesMm: near }, start, onward);
}

const MOST_PLACES = 2000;

/**
 * From the place of a line nearest to where `start` stands, looking the way that `start` looks. Beyond the ends of an
 * open one straight on: over the surface where it is told how to walk there, else beside the model.
 */
function alongLine(target: Target, row: PlacesPath, start: Walker, onward?: WalkOptions): GuideLine {
  const path = new MeasuredPath(throughPlaces(row), false);
  const zero = nearestOn(path, start.at, BETWEEN * row.placesMm.length);
  const sign = dot(path.at(zero).along, start.way) < 0 ? -1 : 1;
  const lookAt = (s: number): Walker => {
    const { place, along } = path.at(s);
    const near = target.closest(place, start.triangle);
    const normal = target.normalAt(near);
    const ahead = along.map((v) => sign * v) as Vec3;
    const way = unit(plus(ahead, normal, -dot(ahead, normal)));
    const isOff = !row.closed && (s < 0 || s > path.length);
    return { at: isOff ? place : near.at, triangle: near.triangle, way, normal, isOff };
  };
  return (x) => {
    const s = zero + sign * x;
    const end = Math.min(path.length, Math.max(0, s));
    if (!onward || row.closed || s === end) return lookAt(s);
    const isAhead = (s - end) * sign > 0;
    const from = lookAt(end);
    return isAhead
      ? walk(target, from, Math.abs(s - end), onward)
      : turnedOn(walk(target, turnedOn(from), Math.abs(s - end), onward));
  };
}

type PlacesPath = Parameters<typeof throughPlaces>[0];

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
