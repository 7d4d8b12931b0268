export type { Hold } from './anchor.ts';
export { distortionAt } from './distortion.ts';
export type { Distortion } from './distortion.ts';
export { OntoMap } from './ontoMap.ts';
export type { OntoOptions } from './ontoMap.ts';
export type { SurfaceGrid } from './surfaceGrid.ts';
export { BESIDE, layOnto, mapOf } from './surfaceMap.ts';
export type { Laying, LayOptions, SurfaceMap } from './surfaceMap.ts';
export { Target } from './target.ts';
