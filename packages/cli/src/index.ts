export { buildCase } from './makeCase.ts';
export { startThreads, type Threads } from './crew/threads.ts';
export type { BuiltCase, CaseResult } from './makeCase.ts';
