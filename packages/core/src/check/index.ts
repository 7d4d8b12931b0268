export { faultPlaces } from './places.ts';
export type { PlaceKind } from './places.ts';
export { findCrossings } from './crossings.ts';
export type { Crossings } from './crossings.ts';
export { checkMesh, checkUnless } from './report.ts';
export type { MeshReport } from './report.ts';
export { trianglesWithArea } from './triangleShape.ts';
export type { Histogram, MeshFigures } from './figures.ts';
