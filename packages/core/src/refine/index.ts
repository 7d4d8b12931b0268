export { joinPoints } from './joinPoints.ts';
export { applyStep, facesAfter } from './applyStep.ts';
export { subdivide } from './subdivide.ts';
export { reduce } from './reduce.ts';
