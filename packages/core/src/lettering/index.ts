export { assemble } from './assemble.ts';
export { buildLettering } from './buildLettering.ts';
export type { BuiltCluster, Lettering, LetteringOptions, LetteringStats } from './buildLettering.ts';
export { letteringCaches } from './caches.ts';
export type { LetteringCaches } from './caches.ts';
export { letterOutline } from './letterOutline.ts';
export { layDrawing } from './layDrawing.ts';
export type { SolidShape } from './sections.ts';
