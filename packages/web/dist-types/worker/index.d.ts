export { JobClient } from './jobClient.ts';
//# sourceMappingURL=index.d.ts.map
