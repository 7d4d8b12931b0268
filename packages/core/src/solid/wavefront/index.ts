export { planBothSides } from './bothSides.ts';
export { dividedBand, dividedRing } from './divided.ts';
export { eulerOf } from './eulerOf.ts';
export { cornerReach, type Corners } from './movingEdges.ts';
export { partition } from './partition.ts';
export type { Band, Partition, PartitionFault, PartitionResult, Ring } from './plan.ts';
export { SMALLEST_LAYER } from './tolerances.ts';
