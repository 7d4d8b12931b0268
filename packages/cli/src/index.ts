export { makeCase } from './makeCase.ts';
export type { CaseResult } from './makeCase.ts';
