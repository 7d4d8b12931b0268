import { length } from '../fields/index.ts';

export const wall = (usual: number) => length(0.01, 1000, { usual, step: 0.5, moves: 'no' });
