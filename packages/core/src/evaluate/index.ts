export { display } from './display.ts';
export type { DisplayBuffers, DisplayGroup } from './display.ts';
export { roughDisplay } from './roughDisplay.ts';
export { assetsNeeded } from './assetsNeeded.ts';
export { fontFacts } from './fontFacts.ts';
export type { FontFacts } from './fontFacts.ts';
export { Engine, pieceMesh, scenePart } from './engine.ts';
export type { EngineTools, Evaluated, LineMeasures } from './engine.ts';
export { sectionOf } from './sectionOf.ts';
