export { display } from './display.ts';
export type { DisplayBuffers } from './display.ts';
export { assetsNeeded, Engine, pieceMesh, scenePart } from './engine.ts';
export type { EngineTools, Evaluated, LineMeasures } from './engine.ts';
