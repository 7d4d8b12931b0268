export { JobClient } from './jobClient.ts';
export type { CrashKind } from './jobClient.ts';
