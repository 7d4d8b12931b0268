import { type JobAnswer, type JobRequest } from '@fictile/core';
type Ask = JobRequest extends infer R ? (R extends JobRequest ? Omit<R, 'version' | 'serial'> : never) : never;
/** The page's side of the geometry worker. A newer evaluation makes an older one give up. */
export declare class JobClient {
  #private;
  constructor();
  ask(request: Ask): Promise<JobAnswer>;
  stop(): void;
}
export {};
//# sourceMappingURL=jobClient.d.ts.map
