import { JobHost, type JobRequest } from '@fictile/core';
import { fontListSchema } from '@fictile/contract';
import { loadKernels } from '@fictile/kernels';

/** What the page posts first: shared memory holding the newest serial. */
export interface StartMessage {
  kind: 'start';
  newest: SharedArrayBuffer;
}

const CACHE_BYTES = 384 * 1024 * 1024;
/** The global scope of a worker, as far as it is used; the compiler knows the page's scope only. */
interface WorkerScope {
  onmessage: ((event: MessageEvent<StartMessage | JobRequest>) => void) | null;
  postMessage(message: unknown, transfer: ArrayBuffer[]): void;
}
const context = self as unknown as WorkerScope;

/** Requests that come before everything is loaded wait here; the handler stands from the first moment, so none is lost. */
let host: Promise<JobHost> | undefined;

context.onmessage = (event) => {
  const message = event.data;
  if (message.kind === 'start') host = startHost(new Int32Array(message.newest));
  else void host?.then((ready) => ready.take(message));
};

async function startHost(newest: Int32Array): Promise<JobHost> {
  const [kernels, catalogue] = await Promise.all([loadKernels(), loadCatalogue()]);
  return new JobHost({
    kernels,
    catalogue,
    loadFont: (hash) => load(`/api/fonts/${hash}`),
    loadModel: (hash) => load(`/api/assets/${hash}`),
    cacheBytes: CACHE_BYTES,
    newest: () => Atomics.load(newest, 0),
    breathe: () => new Promise((resolve) => setTimeout(resolve, 0)),
    now: () => performance.now(),
    send: (reply, transfer) => context.postMessage(reply, transfer),
  });
}

async function loadCatalogue(): Promise<ReturnType<typeof fontListSchema.parse>['families']> {
  for (;;) {
    try {
      return fontListSchema.parse(await (await fetch('/api/fonts')).json()).families;
    } catch {
      await new Promise((resolve) => setTimeout(resolve, 1000));
    }
  }
}

async function load(address: string): Promise<Uint8Array | undefined> {
  try {
    const response = await fetch(address);
    return response.ok ? new Uint8Array(await response.arrayBuffer()) : undefined;
  } catch {
    return undefined;
  }
}
