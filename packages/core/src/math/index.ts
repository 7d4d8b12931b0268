export { linearFromSrgb } from './colour.ts';
export { largestThat } from './largestThat.ts';
export { lengthOf } from './plane.ts';
export { orient2d, orient3d } from './predicates.ts';
export { segmentsCross } from './segmentsCross.ts';
export { afterwards, isStill, STILL, transformPoints, turnAndSize, turnedBack, turnOf } from './transform.ts';
export type { Transform } from './transform.ts';
export { atan2, cos, PI, sin } from './trig.ts';
export {
  aroundBoxes,
  axisIndex,
  boxesMeet,
  boxOfPoints,
  cross,
  diagonalOf,
  distanceToStretch,
  dot,
  EMPTY_BOX,
  isEmptyBox,
  grownBox,
  middleOfBox,
  sizeOfBox,
  minus,
  movedBox,
  plus,
  sizeOf,
  unit,
  X,
  Y,
  Z,
} from './vectors.ts';
export type { Box3, Vec3 } from './vectors.ts';
