export { ATTACKS, HEAVY_DRAWINGS } from './attackFiles.ts';
export type { Attack } from './attackFiles.ts';
export { judge } from './judge.ts';
export type { Judged } from './judge.ts';
export { mutate } from './mutate.ts';
export { readAny } from './readAny.ts';
export { samples } from './samples.ts';
export type { Sample } from './samples.ts';
