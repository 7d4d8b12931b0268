export { display } from './display.ts';
export type { DisplayBuffers, DisplayGroup } from './display.ts';
export { assetsNeeded } from './assetsNeeded.ts';
export { Engine, pieceMesh, scenePart } from './engine.ts';
export type { EngineTools, Evaluated, LineMeasures } from './engine.ts';
