import { JOB_VERSION, type JobAnswer, type JobReply, type JobRequest } from '@fictile/core';
import type { StartMessage } from './geometry.worker.ts';

type Ask = JobRequest extends infer R ? (R extends JobRequest ? Omit<R, 'version' | 'serial'> : never) : never;

/** The page's side of the geometry worker. A newer evaluation makes an older one give up; after a crash the next question starts another worker. */
export class JobClient {
  #worker: Worker | undefined;
  readonly #newest = new Int32Array(new SharedArrayBuffer(4));
  readonly #waiting = new Map<number, (answer: JobAnswer) => void>();
  #serial = 0;

  constructor() {
    this.#worker = this.#start();
  }

  ask(request: Ask): Promise<JobAnswer> {
    const serial = ++this.#serial;
    if (request.kind === 'evaluate') Atomics.store(this.#newest, 0, serial);
    this.#worker ??= this.#start();
    const worker = this.#worker;
    return new Promise((resolve) => {
      this.#waiting.set(serial, resolve);
      worker.postMessage({ ...request, version: JOB_VERSION, serial });
    });
  }

  stop(): void {
    this.#worker?.terminate();
  }

  #start(): Worker {
    const worker = new Worker(new URL('./geometry.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = (event: MessageEvent<JobReply>) => this.#receive(event.data);
    worker.onerror = (event) => this.#giveUp(event.message);
    const start: StartMessage = { kind: 'start', newest: this.#newest.buffer as SharedArrayBuffer };
    worker.postMessage(start);
    return worker;
  }

  #receive(reply: JobReply): void {
    if (reply.kind !== 'answer') return;
    this.#waiting.get(reply.serial)?.(reply.answer);
    this.#waiting.delete(reply.serial);
  }

  #giveUp(message: string): void {
    this.#worker?.terminate();
    this.#worker = undefined;
    for (const resolve of this.#waiting.values()) resolve({ kind: 'crashed', message });
    this.#waiting.clear();
  }
}
