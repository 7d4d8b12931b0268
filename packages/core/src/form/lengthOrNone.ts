import { length } from '../fields/index.ts';

/** A wall, margin or rounding of a form: it may be nought. */
export const lengthOrNone = (usual: number) => length(0, 10_000, { usual });
