import { Worker } from 'node:worker_threads';
import type { Failure } from '@fictile/core';
import { coreFault, httpFault } from '../services/faults.ts';

/** What a worker answers: what it found, or why the input is at fault. */
export type Verdict<T> = { ok: true; value: T } | { ok: false; error: Failure };

const SECONDS = 30;
const MEGABYTES = 1024;

/** Runs one piece of work in a worker of its own with a limit on time and memory; whatever it does, the server goes on. `gone`: nobody waits any more. */
export function runLimited<T>(file: `./${string}.js`, workerData: unknown, gone?: AbortSignal): Promise<T> {
  const worker = new Worker(new URL(file, import.meta.url), {
    workerData,
    resourceLimits: { maxOldGenerationSizeMb: MEGABYTES },
  });
  return new Promise<T>((resolve, reject) => {
    const timer = setTimeout(() => reject(httpFault('CHECK_TIMED_OUT', { seconds: SECONDS })), SECONDS * 1000);
    gone?.addEventListener('abort', () => {
      clearTimeout(timer);
      reject(httpFault('REQUEST_BROKEN', { path: 'body', why: 'was taken back' }));
    });
    worker.once('message', (verdict: Verdict<T>) => {
      clearTimeout(timer);
      if (verdict.ok) resolve(verdict.value);
      else reject(coreFault(verdict.error));
    });
    worker.once('error', () => {
      clearTimeout(timer);
      reject(httpFault('REQUEST_BROKEN', { path: 'body', why: 'it could not be read within the limits' }));
    });
  }).finally(() => void worker.terminate());
}
