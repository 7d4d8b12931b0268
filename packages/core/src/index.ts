export * from './base/index.ts';
export * from './check/index.ts';
export { bodySurface, carve, prepare } from './boolean/index.ts';
export type { Carved } from './boolean/index.ts';
export * from './document/index.ts';
export {
  coloursOf,
  drawingSize,
  firstCurve,
  MM_PER_UNIT,
  readDrawing,
  readSvg,
  SILHOUETTE,
  usualSilhouette,
} from './drawing/index.ts';
export type { ReadDrawing, Shades, SilhouetteOptions } from './drawing/index.ts';
export * from './evaluate/index.ts';
export {
  chance,
  count,
  counts,
  length as lengthField,
  fieldAt,
  flagOf,
  alongCourse,
  fontAxis,
  hillCurve,
  KNOT_PLACE,
  LINES,
  rangeOf,
  slotsOf,
  usualOf,
  variantOf,
  withPieces,
} from './fields/index.ts';
export type {
  CoursePoint,
  Field,
  FieldKind,
  FieldRange,
  Fields,
  FreeCurve,
  SlotsOf,
  StepPath,
  StepPlace,
  Unit,
  ValuesOf,
  VariantOf,
} from './fields/index.ts';
export { formMesh } from './form/index.ts';
export * from './io/index.ts';
export * from './job/index.ts';
export { isWire } from './contours/index.ts';
export * from './faces/index.ts';
export * from './lettering/index.ts';
export {
  boxOfPoints,
  diagonalOf,
  isEmptyBox,
  isStill,
  middleOfBox,
  plus,
  sizeOfBox,
  STILL,
  unit,
  transformPoints,
  turnOf,
} from './math/index.ts';
export type { Box3, Transform, Vec3 } from './math/index.ts';
export * from './mesh/index.ts';
export * from './outline/index.ts';
export { courseOf, plainPoint, spanOf } from './shape/index.ts';
export type { Span } from './shape/index.ts';
export * from './solid/index.ts';
export * from './steps/index.ts';
export { recastCost } from './voxel/index.ts';
export { distortionAt, layOnto, mapOf, OntoMap, Target } from './surface/index.ts';
export type { SurfaceGrid } from './surface/index.ts';
export * from './text/index.ts';
