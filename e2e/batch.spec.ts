import { execFile } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { expect, test } from '@playwright/test';

// the command line as it was built: its threads are files of their own

const PROGRAM = 'packages/cli/bin/fictile.js';
const CASES = [
  { text: 'Kiln', bend: 90, out: 'a.obj' },
  { text: 'I', out: 'b.stl' },
  { text: 'I', out: 'c.doc' },
  { text: 'Row', faces: 'flow', out: 'd.glb' },
  { text: 'L', out: 'deep/e.ply' },
  { text: 'O', reduce: '50%', out: 'f.obj' },
];

async function worked(folder: string, jobs: number): Promise<{ answers: unknown[]; files: Record<string, string> }> {
  const out = join(folder, `jobs ${jobs}`);
  const row = [PROGRAM, 'batch', join(folder, 'cases.jsonl'), '--out-dir', out, '--jobs', String(jobs)];
  const { stdout } = await promisify(execFile)('node', row);
  const answers = stdout
    .replaceAll(out, '')
    .trim()
    .split('\n')
    .map((line) => ({ ...(JSON.parse(line) as object), seconds: 0 }));
  const paths = (await readdir(out, { recursive: true })).filter((path) => path.includes('.')).sort();
  const hashOf = async (path: string): Promise<[string, string]> => [
    path,
    createHash('sha256')
      .update(await readFile(join(out, path)))
      .digest('hex'),
  ];
  return { answers, files: Object.fromEntries(await Promise.all(paths.map(hashOf))) };
}

test('several threads answer in the order of the file, and write the same bytes as one', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'fictile-batch-'));
  await writeFile(join(folder, 'cases.jsonl'), CASES.map((one) => JSON.stringify(one)).join('\n'));
  const [one, several] = [await worked(folder, 1), await worked(folder, 3)];
  expect(several).toEqual(one);
  expect(several.answers).toMatchObject(CASES.map((_, i) => ({ case: i + 1, ok: i !== 2 })));
  expect(Object.keys(several.files)).toEqual(['a.obj', 'b.stl', 'd.glb', 'deep/e.ply', 'f.obj']);
  await rm(folder, { recursive: true, force: true });
});
