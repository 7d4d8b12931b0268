import { allShown, JOB_VERSION, ProjectSender, type JobAnswer, type JobReply, type JobRequest } from '@fictile/core';
import { SHARED, type StartMessage } from './shared.ts';

type Ask = JobRequest extends infer R ? (R extends JobRequest ? Omit<R, 'version' | 'serial'> : never) : never;

/**
 * Why a worker gave no answer: it broke, its files could not be loaded, it did not stir any more, or the person
 * stopped it.
 */
export type CrashKind = 'broken' | 'missing' | 'stuck' | 'stopped';
export type ClientAnswer =
  Exclude<JobAnswer, { kind: 'crashed' }> | { kind: 'crashed'; message: string; why: CrashKind };

export interface Watch {
  /** a question that goes unanswered so long is told of; it can be cancelled */
  longMs: number;
  /** a worker that gives no sign of life so long is ended */
  stuckMs: number;
}
const USUAL: Watch = { longMs: 4_000, stuckMs: 45_000 };
const LOOK_MS = 500;
/** What browsers say where a module or its binary could not be loaded. */
const NOT_FETCHED = /could not be loaded|dynamically imported module|importing a module/i;

interface Waiting {
  since: number;
  resolve: (answer: ClientAnswer) => void;
}

/**
 * The page's side of the geometry worker. A newer evaluation makes an older one give up; after a crash, a cancel, or
 * when it stirs no more, the
 * next question starts another worker.
 */
export class JobClient {
  #worker: Worker | undefined;
  /** what the worker has of projects */
  #sender = new ProjectSender();
  readonly #shared = new Int32Array(new SharedArrayBuffer(8));
  readonly #waiting = new Map<number, Waiting>();
  readonly #watch: Watch;
  readonly #isCrewed: boolean;
  readonly #listeners = new Set<() => void>();
  #serial = 0;
  #look: ReturnType<typeof setInterval> | undefined;
  #lastAlive = { count: 0, at: 0 };
  #isLong = false;
  #hasAnswered = false;

  /** `isCrewed`: what a hand waits for takes all cores */
  constructor({ watch = USUAL, isCrewed = false }: { watch?: Watch; isCrewed?: boolean } = {}) {
    this.#watch = watch;
    this.#isCrewed = isCrewed;
    this.#worker = this.#start();
  }

  ask(request: Ask): Promise<ClientAnswer> {
    const serial = ++this.#serial;
    if (request.kind === 'evaluate') Atomics.store(this.#shared, SHARED.newest, serial);
    this.#worker ??= this.#start();
    const worker = this.#worker;
    return new Promise((resolve) => {
      if (this.#waiting.size === 0) this.#lastAlive.at = Date.now();
      this.#waiting.set(serial, { since: Date.now(), resolve });
      this.#look ??= setInterval(() => this.#lookAfter(), LOOK_MS);
      worker.postMessage(this.#sender.send({ ...request, version: JOB_VERSION, serial } as JobRequest));
    });
  }

  /** Whether a question has waited long; can be cancelled then. */
  get isLong(): boolean {
    return this.#isLong;
  }

  /** Told when `isLong` changes. */
  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  /** Ends what is being worked on, whatever it is. */
  cancel(): void {
    if (this.#waiting.size > 0) this.#giveUp('stopped', 'stopped by the person');
  }

  stop(): void {
    this.#worker?.terminate();
    clearInterval(this.#look);
    this.#look = undefined;
  }

  #start(): Worker {
    const worker = new Worker(new URL('./geometry.worker.ts', import.meta.url), { type: 'module' });
    this.#hasAnswered = false;
    this.#sender = new ProjectSender();
    worker.onmessage = (event: MessageEvent<JobReply>) => this.#receive(event.data);
    // a worker whose own file is missing says nothing but this, before it has answered anything
    worker.onerror = (event) =>
      this.#giveUp(
        event.message || this.#hasAnswered ? 'broken' : 'missing',
        event.message || 'its file could not be loaded',
      );
    const start: StartMessage = {
      kind: 'start',
      shared: this.#shared.buffer as SharedArrayBuffer,
      isCrewed: this.#isCrewed,
    };
    worker.postMessage(start);
    return worker;
  }

  #receive(reply: JobReply): void {
    this.#hasAnswered = true;
    this.#lastAlive.at = Date.now();
    if (reply.kind === 'unstarted') this.#giveUp('missing', reply.message);
    if (reply.kind !== 'answer') return;
    const { answer } = reply;
    const isMissing = answer.kind === 'crashed' && NOT_FETCHED.test(answer.message);
    const why: CrashKind = isMissing ? 'missing' : 'broken';
    this.#waiting.get(reply.serial)?.resolve(whole(answer, why));
    this.#waiting.delete(reply.serial);
    // a worker does not ask again for a file that it could not get
    if (isMissing) this.#giveUp(why, answer.message);
    this.#tellLong();
  }

  #lookAfter(): void {
    const now = Date.now();
    const count = Atomics.load(this.#shared, SHARED.alive);
    if (count !== this.#lastAlive.count) this.#lastAlive = { count, at: now };
    if (this.#waiting.size > 0 && now - this.#lastAlive.at > this.#watch.stuckMs)
      this.#giveUp('stuck', `no sign of life for ${this.#watch.stuckMs / 1000} s`);
    this.#tellLong();
    if (this.#waiting.size > 0) return;
    clearInterval(this.#look);
    this.#look = undefined;
  }

  #tellLong(): void {
    const [oldest] = this.#waiting.values();
    const isLong = oldest !== undefined && Date.now() - oldest.since > this.#watch.longMs;
    if (isLong === this.#isLong) return;
    this.#isLong = isLong;
    for (const listener of this.#listeners) listener();
  }

  #giveUp(why: CrashKind, message: string): void {
    this.#worker?.terminate();
    this.#worker = undefined;
    const waiting = [...this.#waiting.values()];
    this.#waiting.clear();
    for (const { resolve } of waiting) resolve({ kind: 'crashed', message, why });
    this.#tellLong();
  }
}

function whole(answer: JobAnswer, why: CrashKind): ClientAnswer {
  if (answer.kind === 'crashed') return { ...answer, why };
  return answer.kind === 'evaluated' ? { ...answer, pieces: allShown(answer.pieces, answer.copies) } : answer;
}
