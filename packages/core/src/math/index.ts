export { linearFromSrgb } from './colour.ts';
export { lengthOf } from './plane.ts';
export { orient2d, orient3d } from './predicates.ts';
export { isStill, STILL, transformPoints, turnOf } from './transform.ts';
export type { Transform } from './transform.ts';
export { atan2, cos, PI, sin } from './trig.ts';
