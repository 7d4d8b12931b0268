import { cos, cross, dot, plus, sin, PI, unit, type Vec3 } from '../math/index.ts';

/** How the flat plane is held before a model, in the model's own space, mm. */
export interface Hold {
  /** where the plane's zero is held */
  from: Vec3;
  /** where it is laid to; any length */
  toward: Vec3;
  /** the letters' up; any length */
  up: Vec3;
  /** about the line of sight, counter-clockwise as one looks at the letters */
  turnDegrees: number;
}

export interface PlaneAxes {
  across: Vec3;
  up: Vec3;
  /** towards who looks at the letters */
  out: Vec3;
}

/** Upright where the plane that faces along `out` stands, to the back where it lies. */
export const upFor = (out: Vec3): Vec3 => (Math.abs(out[1]) < 0.9 ? [0, 1, 0] : [0, 0, -1]);

/** The plane that faces along `out`, its up as near to the wished one as may be. */
export function axesOf(out: Vec3, up: Vec3, turnDegrees: number): PlaneAxes {
  const side = cross(up, out);
  const isSeen = dot(side, side) > 1e-12 * dot(up, up) * dot(out, out);
  const across = unit(isSeen ? side : cross(upFor(out), out));
  const upright = cross(out, across);
  if (turnDegrees === 0) return { across, up: upright, out };
  const angle = (turnDegrees * PI) / 180;
  const [s, c] = [sin(angle), cos(angle)];
  const turned = plus([across[0] * c, across[1] * c, across[2] * c], upright, s);
  return { across: turned, up: cross(out, turned), out };
}

export const onPlane = ({ across, up }: PlaneAxes, from: Vec3, x: number, y: number): Vec3 =>
  plus(plus(from, across, x), up, y);

/** The plane that is held before a model, facing who looks along the line of sight. */
export const heldPlane = (hold: Hold): PlaneAxes =>
  axesOf(sightOf(hold).map((v) => 0 - v) as Vec3, hold.up, hold.turnDegrees);

export const sightOf = ({ toward }: Hold): Vec3 => unit(toward);
