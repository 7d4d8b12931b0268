import { JobHost, ProjectTaker, type JobReply, type SentRequest } from '@fictile/core';
import { fontListSchema } from '@fictile/contract';
import { loadKernels } from '@fictile/kernels';
import { SHARED, type StartMessage } from './shared.ts';
import { startCrew } from './startCrew.ts';

const ALIVE_MS = 1000;
const CACHE_BYTES = 384 * 1024 * 1024;
/** The global scope of a worker, as far as it is used; the compiler knows the page's scope only. */
interface WorkerScope {
  onmessage: ((event: MessageEvent<StartMessage | SentRequest>) => void) | null;
  postMessage(message: unknown, transfer: ArrayBuffer[]): void;
}
const context = self as unknown as WorkerScope;

/**
 * Requests that come before everything is loaded wait here; the handler stands from the first moment, so none is lost.
 */
let host: Promise<JobHost> | undefined;
const projects = new ProjectTaker();

context.onmessage = (event) => {
  const message = event.data;
  if (message.kind === 'start') host = started(message);
  else take(message);
};

/** At once, in the order in which they come: each says what has changed since the one before. */
function take(message: SentRequest): void {
  const request = projects.take(message);
  void host?.then((ready) => ready.take(request)).catch(() => undefined);
}

/** A part of it that can't be loaded is said: nothing would ever answer otherwise. */
function started(message: StartMessage): Promise<JobHost> {
  const host = startHost(message);
  host.catch((error: unknown) => {
    const message = error instanceof Error ? error.message : String(error);
    context.postMessage({ kind: 'unstarted', message } satisfies JobReply, []);
  });
  return host;
}

async function startHost({ shared: memory, isCrewed }: StartMessage): Promise<JobHost> {
  const shared = new Int32Array(memory);
  // while it waits for what has to be fetched, its turns are the sign of life
  setInterval(() => Atomics.add(shared, SHARED.alive, 1), ALIVE_MS);
  const [kernels, catalogue] = await Promise.all([loadKernels(), loadCatalogue()]);
  return new JobHost({
    kernels,
    catalogue,
    loadFont: (hash) => load(`/api/fonts/${hash}`),
    loadModel: (hash) => load(`/api/assets/${hash}`),
    cacheBytes: CACHE_BYTES,
    crew: isCrewed ? startCrew(memory) : undefined,
    newest: () => {
      // asked for all the time while work goes on: that it is asked is the sign of life
      Atomics.add(shared, SHARED.alive, 1);
      return Atomics.load(shared, SHARED.newest);
    },
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
