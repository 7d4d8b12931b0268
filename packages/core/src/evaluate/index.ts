export { display } from './display.ts';
export type { DisplayBuffers } from './display.ts';
export { assetsNeeded, Engine, pieceMesh } from './engine.ts';
export type { EngineTools, Evaluated } from './engine.ts';
