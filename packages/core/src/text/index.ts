export { openFont } from './fontFace.ts';
export type { FontFace, FontMetrics, FontSource, Kernels, ShapedGlyph, ShapeOptions } from './fontFace.ts';
