import { Plane, Vector3, type Ray } from 'three';

const UP = new Vector3(0, 1, 0);
/** A plane seen more steeply than this is dragged in. */
const STEEP = 0.35;

/** Where a ray meets a plane through a point; undefined when it looks past it. */
export function onPlane(ray: Ray, through: Vector3, normal: Vector3): Vector3 | undefined {
  const at = ray.intersectPlane(new Plane().setFromNormalAndCoplanarPoint(normal, through), new Vector3());
  return at ?? undefined;
}

/** The point of the upright line through a point that lies nearest to a ray. */
export function onUpright(ray: Ray, through: Vector3): Vector3 | undefined {
  const flat = ray.direction.clone().setY(0);
  if (flat.lengthSq() < 1e-9) return undefined; // looking straight down, height can't be seen
  return onPlane(ray, through, flat.normalize())?.setX(through.x).setZ(through.z);
}

/** A line seen more from its end than this can't be followed. */
const END_ON = 0.995;

/** How far along a line (from a point, one a unit vector) the place lies that is nearest to a ray. */
export function onLine(ray: Ray, through: Vector3, way: Vector3): number | undefined {
  const slope = way.dot(ray.direction);
  if (Math.abs(slope) > END_ON) return undefined;
  const from = through.clone().sub(ray.origin);
  // both feet of the common perpendicular, solved for the line's own
  return (slope * from.dot(ray.direction) - from.dot(way)) / (1 - slope * slope);
}

/** The way that the view faces most squarely: the table when seen from above, else the wall behind the piece. */
export function facing(direction: Vector3): Vector3 {
  if (Math.abs(direction.y) > STEEP) return UP.clone();
  return Math.abs(direction.z) >= Math.abs(direction.x) ? new Vector3(0, 0, 1) : new Vector3(1, 0, 0);
}

/** Degrees on the spot from the front (towards z) towards the right (x). */
export const bearing = (at: Vector3, centre: Vector3): number =>
  (Math.atan2(at.x - centre.x, at.z - centre.z) * 180) / Math.PI;

/** The difference of two turns, from -180 to 180. */
export const turnBetween = (from: number, to: number): number => ((((to - from) % 360) + 540) % 360) - 180;

export const toStep = (value: number, step: number): number =>
  Math.round(Math.round(value / step) * step * 1e6) / 1e6 + 0;
