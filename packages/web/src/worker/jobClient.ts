import { JOB_VERSION, type JobAnswer, type JobReply, type JobRequest } from '@fictile/core';
import type { StartMessage } from './geometry.worker.ts';

type Ask = JobRequest extends infer R ? (R extends JobRequest ? Omit<R, 'version' | 'serial'> : never) : never;

/** The page's side of the geometry worker. A newer evaluation makes an older one give up. */
export class JobClient {
  readonly #worker: Worker;
  readonly #newest = new Int32Array(new SharedArrayBuffer(4));
  readonly #waiting = new Map<number, (answer: JobAnswer) => void>();
  #serial = 0;

  constructor() {
    this.#worker = new Worker(new URL('./geometry.worker.ts', import.meta.url), { type: 'module' });
    this.#worker.onmessage = (event: MessageEvent<JobReply>) => this.#receive(event.data);
    this.#worker.onerror = (event) => this.#giveUp(event.message);
    const start: StartMessage = { kind: 'start', newest: this.#newest.buffer as SharedArrayBuffer };
    this.#worker.postMessage(start);
  }

  ask(request: Ask): Promise<JobAnswer> {
    const serial = ++this.#serial;
    if (request.kind === 'evaluate') Atomics.store(this.#newest, 0, serial);
    return new Promise((resolve) => {
      this.#waiting.set(serial, resolve);
      this.#worker.postMessage({ ...request, version: JOB_VERSION, serial });
    });
  }

  stop(): void {
    this.#worker.terminate();
  }

  #receive(reply: JobReply): void {
    if (reply.kind !== 'answer') return;
    this.#waiting.get(reply.serial)?.(reply.answer);
    this.#waiting.delete(reply.serial);
  }

  #giveUp(message: string): void {
    for (const resolve of this.#waiting.values()) resolve({ kind: 'crashed', message });
    this.#waiting.clear();
  }
}
