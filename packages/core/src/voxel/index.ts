export { losses } from './losses.ts';
export type { Losses, LostPlace } from './losses.ts';
export { recast, recastCost } from './recast.ts';
export type { RecastCost, RecastOptions } from './recast.ts';
