import { cos, PI, dot, minus, plus, sizeOf, unit, type Vec3 } from '../math/index.ts';
import type { Target } from './target.ts';

/** Somebody on a surface with a direction to go. */
export interface Walker {
  at: Vec3;
  triangle: number;
  /** of length 1, along the surface */
  way: Vec3;
  normal: Vec3;
  /** gone straight on beside the model, where that ended or bent away */
  isOff: boolean;
}

/** The other way round. */
export const turnedOn = (walker: Walker): Walker => ({ ...walker, way: walker.way.map((v) => 0 - v) as Vec3 });

export interface WalkOptions {
  /** mm */
  step: number;
  /** at edges: go round them with the surface, or straight on */
  rounds: boolean;
  /** turns who walks before each step; left out: straight on (a geodesic) */
  turn?: (normal: Vec3, way: Vec3) => Vec3;
}

/** Normals that turn by more within a step stand at an edge. */
const EDGE = cos((40 * PI) / 180);
/** Of a step: who comes no farther stands at the border of an open model. */
const STUCK = 0.3;
/** Of a length: so near is there. */
const THERE = 1e-9;
/** Of a step. */
const NOTHING = 1e-6;

const tangent = (way: Vec3, normal: Vec3): Vec3 => unit(plus(way, normal, -dot(way, normal)));

/**
 * Walks so far along a surface: by the midpoint rule on smoothed normals and closest places, which is exact on a
 * cylinder and does not pick up the facets (straightest geodesics do; Polthier and Schmies 1998).
 */
export function walk(target: Target, from: Walker, length: number, options: WalkOptions): Walker {
  let now = from;
  // a way so short gets lost in rounding, and would look like the end of the model
  let left = length > NOTHING * options.step ? length : 0;
  const most = 4 * Math.ceil(length / options.step) + 8;
  for (let i = 0; i < most && left > Math.max(THERE * length, NOTHING * options.step); i++) {
    if (now.isOff) return { ...now, at: plus(now.at, now.way, left) };
    const next = stepOn(target, now, Math.min(options.step, left), options);
    if (!next) return { ...now, at: plus(now.at, now.way, left), isOff: true };
    left -= sizeOf(minus(next.at, now.at));
    now = next;
  }
  return now;
}

/** Undefined where the surface ends, or bends away and is not to be followed. */
function stepOn(target: Target, from: Walker, step: number, { rounds, turn }: WalkOptions): Walker | undefined {
  const way = turn ? turn(from.normal, from.way) : from.way;
  const half = target.closest(plus(from.at, way, step / 2), from.triangle);
  const halfway = target.normalAt(half);
  const straight = turn ? turn(halfway, way) : tangent(way, halfway);
  const place = target.closest(plus(from.at, straight, step), half.triangle);
  const normal = target.normalAt(place);
  if (sizeOf(minus(place.at, from.at)) < STUCK * step)
    return rounds ? roundEdge(target, { ...from, way }, step) : undefined;
  const isEdge = dot(normal, from.normal) < EDGE;
  if (isEdge && !rounds) return undefined;
  // past an edge the way leads down behind it, or up the wall before it
  const onward = isEdge ? plus(straight, from.normal, dot(normal, straight) > 0 ? -1 : 1) : straight;
  return { at: place.at, triangle: place.triangle, way: tangent(onward, normal), normal, isOff: false };
}

/** Over an edge that one stands at: onto the face that falls away behind it. Undefined where there is none. */
function roundEdge(target: Target, from: Walker, step: number): Walker | undefined {
  const down = plus(from.way, from.normal, -1);
  const place = target.closest(plus(from.at, down, step / 2), from.triangle);
  const normal = target.normalAt(place);
  if (dot(normal, from.normal) > EDGE || sizeOf(minus(place.at, from.at)) < (STUCK * step) / 2) return undefined;
  return { at: place.at, triangle: place.triangle, way: tangent(down, normal), normal, isOff: false };
}
