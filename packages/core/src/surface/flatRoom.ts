import { cos, dot, minus, PI, type Vec3 } from '../math/index.ts';
import { axesOf, onPlane, sightOf, type Hold, type PlaneAxes } from './anchor.ts';
import { reachAt, roomIn, type BorderEdge } from './roomIn.ts';
import type { Target } from './target.ts';

/** Triangles that lean from the flat place by no more belong to it. */
const LEAN = cos((2 * PI) / 180);

export interface FlatRoom {
  /** middle of the largest box of that form, on the surface */
  at: Vec3;
  axes: PlaneAxes;
  /** how much larger than asked for that box is */
  scale: number;
  /** the same of a box about the place itself; below zero beside it */
  scaleHere: number;
}

export interface FlatWish {
  /** mm, of the box that is to find room */
  wide: number;
  tall: number;
  /** mm that the place may be uneven by */
  toleranceMm: number;
}

/**
 * Where in the flat place that a hold looks at a box finds most room, and how much. Undefined where nothing is met. On
 * a curved surface the place is as small as the tolerance lets it be.
 */
export function flatRoom(target: Target, hold: Hold, wish: FlatWish): FlatRoom | undefined {
  const place = flatPlace(target, hold, wish);
  const room = place && roomIn(place.edges);
  if (!room || !(room.reach > 0)) return undefined;
  const { axes, at, edges } = place;
  const { wide, tall } = wish;
  return {
    at: onPlane(axes, at, (room.x * wide) / 2, (room.y * tall) / 2),
    axes,
    scale: room.reach,
    scaleHere: reachAt(edges, 0, 0),
  };
}

/**
 * How much larger than asked for a box about the place itself is that has room there; below zero beside it. Undefined
 * where nothing is met.
 */
export function flatShare(target: Target, hold: Hold, wish: FlatWish): number | undefined {
  const place = flatPlace(target, hold, wish);
  return place && reachAt(place.edges, 0, 0);
}

interface FlatPlace {
  at: Vec3;
  axes: PlaneAxes;
  /** its border about that place, in half sides of the box */
  edges: BorderEdge[];
}

function flatPlace(target: Target, hold: Hold, { wide, tall, toleranceMm }: FlatWish): FlatPlace | undefined {
  const seen = target.hit(hold.from, sightOf(hold));
  if (!seen) return undefined;
  const axes = axesOf(target.flatNormalAt(seen), hold.up, hold.turnDegrees);
  const isFlat = (corner: Vec3): boolean => Math.abs(dot(minus(corner, seen.at), axes.out)) <= toleranceMm;
  const border = target.borderAround(
    seen.triangle,
    (corners, normal) => dot(normal, axes.out) > LEAN && corners.every(isFlat),
  );
  const flat = (place: Vec3): [number, number] => {
    const way = minus(place, seen.at);
    return [dot(way, axes.across) / (wide / 2), dot(way, axes.up) / (tall / 2)];
  };
  return { at: seen.at, axes, edges: border.map(([a, b]): BorderEdge => [...flat(a), ...flat(b)]) };
}
