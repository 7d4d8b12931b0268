export { orient2d, orient3d } from './predicates.ts';
export { atan2, cos, PI, sin } from './trig.ts';
