import { execFileSync } from 'node:child_process';
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const ROOT = fileURLToPath(new URL('../..', import.meta.url));

/** What the command line writes for some flags. */
export async function commandLine(flags: readonly string[], name: string): Promise<Buffer> {
  const folder = await mkdtemp(join(tmpdir(), 'fictile-make-'));
  try {
    const out = join(folder, name);
    execFileSync('node', ['packages/cli/bin/fictile.js', 'make', ...flags, '--out', out, '--quiet'], { cwd: ROOT });
    return await readFile(out);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
