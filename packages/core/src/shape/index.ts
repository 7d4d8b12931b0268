export { Spine } from './spine.ts';
export type { Bend, Bent } from './spine.ts';
