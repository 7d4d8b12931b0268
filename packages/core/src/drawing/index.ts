export { coloursOf, drawFigures, drawingSize } from './figures.ts';
export type { Figure, FigureScale } from './figures.ts';
export { firstCurve } from './knotCurve.ts';
export { readDrawing } from './readDrawing.ts';
export { MM_PER_UNIT, readSvg } from './svg/readSvg.ts';
export { silhouette, SILHOUETTE, usualSilhouette } from './silhouette/silhouette.ts';
export type { SilhouetteOptions } from './silhouette/silhouette.ts';
export type { Shades } from './silhouette/contours.ts';
export type { ReadDrawing } from './svg/readSvg.ts';
