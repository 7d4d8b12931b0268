import { Worker } from 'node:worker_threads';
import type { Failure } from '@fictile/core';
import type { AssetKind } from '@fictile/contract';
import { coreFault, httpFault } from '../services/faults.ts';

export interface AssetWork {
  kind: AssetKind;
  bytes: Uint8Array;
}
export type AssetVerdict = { ok: true } | { ok: false; error: Failure };

const SECONDS = 30;
const MEGABYTES = 1024;

/** Runs the check in a worker of its own with a limit on time and memory; whatever it does, the server goes on. */
export function checkAsset(kind: AssetKind, bytes: Uint8Array): Promise<void> {
  const work: AssetWork = { kind, bytes };
  const worker = new Worker(new URL('./assetWorker.js', import.meta.url), {
    workerData: work,
    resourceLimits: { maxOldGenerationSizeMb: MEGABYTES },
  });
  return new Promise<void>((resolve, reject) => {
    const timer = setTimeout(() => reject(httpFault('CHECK_TIMED_OUT', { seconds: SECONDS })), SECONDS * 1000);
    worker.once('message', (verdict: AssetVerdict) => {
      clearTimeout(timer);
      if (verdict.ok) resolve();
      else reject(coreFault(verdict.error));
    });
    worker.once('error', () => {
      clearTimeout(timer);
      reject(httpFault('REQUEST_BROKEN', { path: 'body', why: 'it could not be read within the limits' }));
    });
  }).finally(() => void worker.terminate());
}
