export * from './base/index.ts';
export * from './check/index.ts';
export * from './document/index.ts';
export * from './evaluate/index.ts';
export * from './io/index.ts';
export * from './job/index.ts';
export * from './mesh/index.ts';
export { fontAxes, openFont, splitGraphemes } from './text/index.ts';
export type { FontCatalogue, FontFamily, FontRef, FontStyle, Kernels } from './text/index.ts';
