import { createReadStream } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { createInterface } from 'node:readline';
import { Worker } from 'node:worker_threads';
import { CaseThread } from './caseThread.ts';
import { loadKernels } from '@fictile/kernels';
import { parseArguments } from '../arguments.ts';
import { say } from '../console.ts';
import { fault } from '../messages.ts';
import { writeAll } from '../output.ts';
import { only } from './only.ts';
import { failed, runCase, type CaseAnswer, type Folders, type WorkedCase } from './runCase.ts';

type Run = (line: string) => Promise<WorkedCase>;

/** Works through a file of cases, several at a time; answers come in the order of the file. */
export async function batch(row: readonly string[]): Promise<void> {
  const { positional, flags } = parseArguments(row, () => false);
  only(flags, ['out-dir', 'jobs']);
  const [cases] = positional;
  if (cases === undefined)
    throw fault('FLAG_MISSING', 'There is no file of cases. Give one: fictile batch CASES.jsonl --out-dir DIR.');
  if (flags['out-dir'] === undefined) throw fault('FLAG_MISSING', 'There is no --out-dir. Say where to write.');
  const jobs = Number(flags.jobs ?? 1);
  if (!(Number.isInteger(jobs) && jobs >= 1 && jobs <= 64))
    throw fault('FLAG_VALUE', `--jobs is "${flags.jobs}"; it takes a whole number from 1 to 64. Change it.`);
  const lines = await readLines(cases);
  const folders = { from: dirname(resolve(cases)), to: resolve(String(flags['out-dir'])) };
  if (jobs === 1 || lines.length < 2) await inHere(lines, folders);
  else await inThreads(lines, folders, Math.min(jobs, lines.length));
}

async function inHere(lines: readonly string[], folders: Folders): Promise<void> {
  const kernels = await loadKernels();
  await workThrough(lines, [(line) => runCase(line, folders, kernels)]);
}

async function inThreads(lines: readonly string[], folders: Folders, count: number): Promise<void> {
  const address = new URL('caseWorker.js', import.meta.url);
  const threads = Array.from(
    { length: count },
    () => new CaseThread(() => new Worker(address, { workerData: folders })),
  );
  try {
    await workThrough(
      lines,
      threads.map((thread) => (line) => thread.work(line)),
    );
  } finally {
    await Promise.all(threads.map((thread) => thread.end()));
  }
}

async function workThrough(lines: readonly string[], runs: readonly Run[]): Promise<void> {
  const results: (string | undefined)[] = lines.map(() => undefined);
  let next = 0;
  let told = 0;
  const takeTurns = async (run: Run): Promise<void> => {
    while (next < lines.length) {
      const i = next++;
      results[i] = JSON.stringify({ case: i + 1, ...(await keep(run(lines[i]))) });
      for (; told < lines.length && results[told] !== undefined; told++) say(results[told] as string);
    }
  };
  await Promise.all(runs.map(takeTurns));
}

async function keep(work: Promise<WorkedCase>): Promise<CaseAnswer> {
  try {
    const { answer, files } = await work;
    if (files) await writeAll(files);
    return answer;
  } catch (error) {
    return failed(error);
  }
}

async function readLines(path: string): Promise<string[]> {
  const lines: string[] = [];
  try {
    for await (const line of createInterface({ input: createReadStream(path), crlfDelay: Infinity })) lines.push(line);
  } catch {
    throw fault('FILE_UNREADABLE', `The file of cases ${path} can't be opened. Check its path.`);
  }
  while (lines.length > 0 && lines[lines.length - 1].trim() === '') lines.pop();
  return lines;
}
