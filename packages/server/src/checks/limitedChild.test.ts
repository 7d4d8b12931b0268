import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { Fault } from '../services/faults.ts';
import { runLimited } from './limitedChild.ts';
import { Turns } from './turns.ts';

let folder: string;
beforeAll(async () => (folder = await mkdtemp(join(tmpdir(), 'fictile-child-'))));
afterAll(() => rm(folder, { recursive: true, force: true }));

const LIMITS = { seconds: 3, megabytes: 400 };
/** A busy machine takes its time to hand out memory. */
const PATIENT = { ...LIMITS, seconds: 60 };

/** A child that does this with its work. */
async function child(body: string): Promise<URL> {
  const path = join(folder, `${Math.random()}.mjs`);
  await writeFile(path, `process.once('message', async (work) => { ${body} });`);
  return pathToFileURL(path);
}
const run = async (
  body: string,
  work: object = {},
  { gone, limits = LIMITS }: { gone?: AbortSignal; limits?: typeof LIMITS } = {},
): Promise<unknown> => {
  try {
    return await runLimited(await child(body), work, { gone, limits });
  } catch (error) {
    return error instanceof Fault ? error.code : error;
  }
};

test('what a child says comes back, and it gets no more bytes than were meant', async () => {
  const [beside, bytes] = [Buffer.from('somebody else'), Buffer.from('kiln')];
  expect(bytes.buffer).toBe(beside.buffer); // small buffers lie in one pool
  const all = "Buffer.from(work.bytes.buffer).includes('somebody')";
  const seen = await run(`process.send({ ok: true, value: [String(work.bytes), ${all}] })`, { bytes });
  expect(seen).toEqual(['kiln', false]);
  const refused = "process.send({ ok: false, error: { code: 'FONT_UNKNOWN', params: { name: 'x' } } })";
  expect(await run(refused)).toBe('FONT_UNKNOWN');
});

test.each([
  ['hangs', 'for (;;);', 'CHECK_TIMED_OUT', LIMITS],
  [
    'takes memory that no heap counts',
    'const all = []; for (;;) all.push(new Uint8Array(2e7).fill(1));',
    'REQUEST_BROKEN',
    PATIENT,
  ],
  ['ends by itself', 'process.exit(3)', 'REQUEST_BROKEN', PATIENT],
  ['throws', 'throw new Error("no")', 'REQUEST_BROKEN', PATIENT],
])('a child that %s is ended, and nothing else', async (_, body, code, limits) =>
  expect(await run(body, {}, { limits })).toBe(code),
);

test('nobody waits any more', async () => {
  const gone = new AbortController();
  setTimeout(() => gone.abort(), 50);
  expect(await run('for (;;);', {}, { gone: gone.signal })).toBe('REQUEST_BROKEN');
});

test('turns are taken in order, and those beyond the queue are sent away', async () => {
  const turns = new Turns({ atOnce: 1, waiting: 2 });
  const order: string[] = [];
  const enter = (name: string, gone?: AbortSignal) =>
    turns.take(gone).then((turn) => (order.push(turn ? name : `not ${name}`), turn));
  const first = await enter('a');
  const leaving = new AbortController();
  const rest = [enter('b', leaving.signal), enter('c'), enter('d')];
  leaving.abort();
  first?.done();
  first?.done();
  await Promise.all(rest);
  expect(order).toEqual(['a', 'not d', 'not b', 'c']);
});
