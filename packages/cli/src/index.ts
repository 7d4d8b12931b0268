export { buildCase } from './makeCase.ts';
export type { BuiltCase, CaseResult } from './makeCase.ts';
