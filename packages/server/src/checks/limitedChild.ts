import { fork, type ChildProcess } from 'node:child_process';
import { readFile } from 'node:fs/promises';
import type { Failure } from '@fictile/core';
import { coreFault, httpFault, type Fault } from '../services/faults.ts';
import { Turns } from './turns.ts';

/** What a child answers: what it found, or why the input is at fault. */
export type Verdict<T> = { ok: true; value: T } | { ok: false; error: Failure };

export interface Limits {
  seconds: number;
  /** of the whole process, buffers outside of its heap too; watched where the system tells (Linux) */
  megabytes: number;
}

const USUAL: Limits = { seconds: 20, megabytes: 2048 };
/** Of the memory: what JavaScript's own heap may take. */
const HEAP_SHARE = 0.75;
const WATCH_MS = 100;
const PAGE_BYTES = 4096;

const turns = new Turns({ atOnce: 2, waiting: 40 });

/**
 * One piece of work in a process of its own, two at a time, the others in a queue. Whatever it does, time and memory
 * end it and the server goes
 * on: a worker thread would share the server's memory, and buffers count in no limit of a thread. `gone`: nobody waits
 * any more.
 */
export async function runLimited<T>(
  file: URL,
  work: object,
  { gone, limits = USUAL }: { gone?: AbortSignal; limits?: Limits } = {},
): Promise<T> {
  const turn = await turns.take(gone);
  if (!turn) throw gone?.aborted ? takenBack() : httpFault('BUSY', {});
  try {
    return await inChild<T>(file, work, gone, limits);
  } finally {
    turn.done();
  }
}

const takenBack = (): Fault => httpFault('REQUEST_BROKEN', { path: 'body', why: 'was taken back' });
const beyond = (): Fault =>
  httpFault('REQUEST_BROKEN', { path: 'body', why: 'it could not be read within the limits' });

function inChild<T>(
  file: URL,
  work: object,
  gone: AbortSignal | undefined,
  { seconds, megabytes }: Limits,
): Promise<T> {
  const child = fork(file, {
    execArgv: ['--no-warnings', `--max-old-space-size=${Math.floor(HEAP_SHARE * megabytes)}`],
    // what is sent holds only the bytes that are meant, never the whole pool that a small buffer lies in
    serialization: 'advanced',
    stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
  });
  const endings: (() => void)[] = [() => child.kill('SIGKILL')];
  return new Promise<T>((resolve, reject) => {
    const timer = setTimeout(() => reject(httpFault('CHECK_TIMED_OUT', { seconds })), seconds * 1000);
    const watch = setInterval(
      () => void residentBytes(child).then((bytes) => bytes > megabytes * 1e6 && reject(beyond())),
      WATCH_MS,
    );
    const leave = (): void => reject(takenBack());
    gone?.addEventListener('abort', leave);
    endings.push(
      () => clearTimeout(timer),
      () => clearInterval(watch),
      () => gone?.removeEventListener('abort', leave),
    );
    child.once('message', (verdict: Verdict<T>) =>
      verdict.ok ? resolve(verdict.value) : reject(coreFault(verdict.error)),
    );
    child.once('exit', () => reject(beyond()));
    child.once('error', () => reject(beyond()));
    child.send(work, (error) => error && reject(beyond()));
  }).finally(() => endings.forEach((end) => end()));
}

/** 0 where the system does not tell. */
async function residentBytes({ pid }: ChildProcess): Promise<number> {
  try {
    const [, pages] = (await readFile(`/proc/${pid}/statm`, 'utf8')).split(' ');
    return Number(pages) * PAGE_BYTES;
  } catch {
    return 0;
  }
}
