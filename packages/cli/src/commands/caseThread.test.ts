import { Worker } from 'node:worker_threads';
import { CaseThread } from './caseThread.ts';

/** A thread that does as it is told. */
const SOURCE = `
const { parentPort } = require('node:worker_threads');
parentPort.on('message', (line) => {
  if (line === 'die') process.exit(1);
  if (line === 'throw') throw new Error('no');
  if (line === 'grow') for (const all = []; ; ) all.push(new Array(1e6).fill(line));
  parentPort.postMessage({ answer: line });
});`;

test.each(['die', 'throw', 'grow'])('a thread that dies (%s) loses its case alone, and says so', async (way) => {
  const thread = new CaseThread(
    () => new Worker(SOURCE, { eval: true, resourceLimits: { maxOldGenerationSizeMb: 64 } }),
  );
  try {
    expect(await thread.work('one')).toEqual({ answer: 'one' });
    expect(await thread.work('another')).toEqual({ answer: 'another' });
    await expect(thread.work(way)).rejects.toMatchObject({ code: 'CASE_ENDED' });
    expect(await thread.work('two')).toEqual({ answer: 'two' });
  } finally {
    await thread.end();
  }
});
