export type { Fault } from './bringIn.ts';
export { carve, INSIDE } from './carve.ts';
export { prepare } from './prepare.ts';
export type { Prepared } from './prepare.ts';
export type { Carved, CarveJob, Operation } from './carve.ts';
export { raiseFaces } from './raiseFaces.ts';
