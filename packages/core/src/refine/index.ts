export { clear } from './clear.ts';
export { joinPoints } from './joinPoints.ts';
export { reduce } from './reduce.ts';
export { subdivide } from './subdivide.ts';
export { toQuads } from './toQuads.ts';
export { toTriangles } from './toTriangles.ts';
