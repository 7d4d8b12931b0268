export { JobClient } from './jobClient.ts';
