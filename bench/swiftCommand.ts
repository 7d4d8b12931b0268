import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { newForm, newProject, usualForms } from '@fictile/core';
import type { Say } from './figures.ts';
import { median } from './statistics.ts';

const PROGRAM = fileURLToPath(new URL('../../packages/cli/bin/fictile.js', import.meta.url));
const REPEATS = 3;
/** Told at the end of a process: what it took of the processor, ms. */
const TELLS =
  "import { writeFileSync } from 'node:fs'; process.on('exit', () => { const { user, system } = process.cpuUsage(); " +
  'writeFileSync(process.env.CPU_TO, String((user + system) / 1000)); });';

/** Ten letters engraved in a jug by the command line, from a file to a file. */
export function benchCommandLine(say: Say): void {
  const folder = mkdtempSync(join(tmpdir(), 'fictile-swift-'));
  const cpu = join(folder, 'cpu');
  const run = (row: string[]): number => {
    const env = {
      ...process.env,
      CPU_TO: cpu,
      NODE_OPTIONS: `--import data:text/javascript,${encodeURIComponent(TELLS)}`,
    };
    execFileSync('node', [PROGRAM, ...row], { cwd: folder, env });
    return Number(readFileSync(cpu, 'utf8'));
  };
  try {
    const jug = join(folder, 'jug.fictile.json');
    writeFileSync(jug, JSON.stringify(newProject('jug', 'Jug', [newForm('jug', 'Jug', usualForms().jug)])));
    run(['bake', jug, '--out', 'jug.obj', '--quiet']);
    const row = ['make', '--text', 'SALTGLAZES', '--size', '18mm', '--anchor', 'middle', '--with', 'jug.obj'];
    const onto = ['--onto', 'jug.obj', '--from', '0,100,300', '--toward', '0,0,-1', '--sink', '2mm'];
    const times = Array.from({ length: REPEATS }, () => run([...row, ...onto, '--out', 'cut.glb', '--quiet']));
    say.put('swift: the jug engraved by the command line, processor', median(times) / 1000, 's', {
      ...{ bar: 3, aim: 1.5, n: REPEATS },
    });
    say(`  the jug engraved by the command line: ${(median(times) / 1000).toFixed(1)} s of processor time`);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
