export { api, Refused, Unreachable } from './client.ts';
export type { SaveResult } from './client.ts';
//# sourceMappingURL=index.d.ts.map
