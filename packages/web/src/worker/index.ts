export { JobClient } from './jobClient.ts';
export type { ClientAnswer, CrashKind } from './jobClient.ts';
