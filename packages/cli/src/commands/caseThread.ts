import type { Worker } from 'node:worker_threads';
import { fault } from '../messages.ts';
import type { WorkedCase } from './runCase.ts';

type Thread = Pick<Worker, 'postMessage' | 'once' | 'off' | 'terminate'>;

/**
 * A thread that works on one case after another. One that dies takes its case with it, which is told; the next case
 * gets a new thread.
 */
export class CaseThread {
  readonly #start: () => Thread;
  #thread: Thread | undefined;

  constructor(start: () => Thread) {
    this.#start = start;
  }

  async work(line: string): Promise<WorkedCase> {
    const thread = (this.#thread ??= this.#start());
    try {
      return await answerOf(thread, line);
    } catch {
      this.#thread = undefined;
      throw fault(
        'CASE_ENDED',
        'What worked on this case ended, most likely for want of memory. Make it smaller, or use fewer --jobs.',
      );
    }
  }

  async end(): Promise<void> {
    await this.#thread?.terminate();
  }
}

/**
 * What it says of a line; rejects where it ends instead. Only our own listeners go: it needs others to be heard again.
 */
function answerOf(thread: Thread, line: string): Promise<WorkedCase> {
  return new Promise((resolve, reject) => {
    const said = (worked: WorkedCase): void => {
      heard();
      resolve(worked);
    };
    const ended = (why: unknown): void => {
      heard();
      reject(why instanceof Error ? why : new Error('it ended'));
    };
    const heard = (): void => void thread.off('message', said).off('error', ended).off('exit', ended);
    thread.once('message', said).once('error', ended).once('exit', ended);
    thread.postMessage(line);
  });
}
