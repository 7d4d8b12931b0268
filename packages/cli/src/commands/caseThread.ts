import type { Worker } from 'node:worker_threads';
import { fault } from '../messages.ts';
import type { WorkedCase } from './runCase.ts';

type Thread = Pick<Worker, 'postMessage' | 'once' | 'removeAllListeners' | 'terminate'>;

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
      return await new Promise<WorkedCase>((resolve, reject) => {
        thread.once('message', resolve);
        thread.once('error', reject);
        thread.once('exit', reject);
        thread.postMessage(line);
      });
    } catch {
      this.#thread = undefined;
      throw fault(
        'CASE_ENDED',
        'What worked on this case ended, most likely for want of memory. Make it smaller, or use fewer --jobs.',
      );
    } finally {
      thread.removeAllListeners();
    }
  }

  async end(): Promise<void> {
    await this.#thread?.terminate();
  }
}
