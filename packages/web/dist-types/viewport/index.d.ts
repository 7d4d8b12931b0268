export { canDraw } from './canDraw.ts';
export { GeometryShelf } from './geometries.ts';
export { Viewport } from './Viewport.tsx';
//# sourceMappingURL=index.d.ts.map
