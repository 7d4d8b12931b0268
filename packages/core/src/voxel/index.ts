export { recast, recastCost } from './recast.ts';
export type { RecastCost, RecastOptions } from './recast.ts';
