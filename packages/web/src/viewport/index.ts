export type { CaretPlace } from './Caret.tsx';
export { canDraw } from './canDraw.ts';
export type { ViewName, ViewWish } from './Controls.tsx';
export { GeometryShelf } from './geometries.ts';
export type { SurfaceMode } from './materials.ts';
export { boundsOf } from './scene.ts';
export type { Typing } from './Viewport.tsx';
export { Viewport } from './Viewport.tsx';
export type { PictureWish, TakePicture } from './PictureTaker.tsx';
