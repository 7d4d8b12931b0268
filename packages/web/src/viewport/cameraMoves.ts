import { Spherical, Vector3 } from 'three';

type ViewPoint = readonly [number, number, number];

/** Where the view looks from, and at what; mm. */
export interface Pose {
  from: ViewPoint;
  to: ViewPoint;
}

const STEEPEST = 0.01;

const poseTo = (from: Vector3, to: Vector3): Pose => ({ from: from.toArray(), to: to.toArray() });

/** Turned about what is looked at, in degrees: to the right, and upwards. */
export function turned({ from, to }: Pose, right: number, up: number): Pose {
  const centre = new Vector3(...to);
  const way = new Spherical().setFromVector3(new Vector3(...from).sub(centre));
  way.theta += (right * Math.PI) / 180;
  way.phi = Math.min(Math.PI - STEEPEST, Math.max(STEEPEST, way.phi - (up * Math.PI) / 180));
  return poseTo(new Vector3().setFromSpherical(way).add(centre), centre);
}

/** Moved across and up in the picture by shares of the distance. */
export function moved({ from, to }: Pose, right: number, up: number): Pose {
  const [eye, centre] = [new Vector3(...from), new Vector3(...to)];
  const way = eye.clone().sub(centre);
  const distance = way.length();
  const across = new Vector3(0, 1, 0).cross(way).normalize();
  const upwards = way.clone().cross(across).normalize();
  const shift = across.multiplyScalar(right * distance).addScaledVector(upwards, up * distance);
  return poseTo(eye.add(shift), centre.add(shift));
}

/** Nearer by a factor: 2 halves the distance. */
export function nearer({ from, to }: Pose, factor: number): Pose {
  const centre = new Vector3(...to);
  const way = new Vector3(...from).sub(centre);
  return poseTo(way.divideScalar(factor).add(centre), centre);
}
