import { fork } from 'node:child_process';
import {
  seededRandom,
  newDrawing,
  newProject,
  usualDrawing,
  quietContext,
  readSvg,
  Engine,
  type Kernels,
} from '@fictile/core';
import { ATTACKS, HEAVY_DRAWINGS, judge, mutate, readAny, samples } from '@fictile/core/attacks';
import { readFont, SHIPPED_FONTS } from '@fictile/fonts';
import { loadKernels } from '@fictile/kernels';
import type { Say } from './figures.ts';

const MUTATIONS = 2000;
const HANG_MS = 5000;
const MOST_MEGABYTES = 500;

interface Told {
  name: string;
  cases: number;
  slowestMs: number;
  slowest: string;
  megabytes: number;
  wrong: string[];
  threw: string[];
}

/**
 * What no file may do to who reads it: hang, crash, take memory, or be read as something else. Each kind in a process
 * of its own.
 */
export async function benchAttacks(say: Say): Promise<void> {
  const names = ['made files', ...samples(new Uint8Array(16)).map(({ name }) => name), 'heavy drawings'];
  const all: Told[] = [];
  for (const name of names) {
    const told = await inChild(name);
    all.push(told);
    say(
      `${name.padEnd(22)} ${String(told.cases).padStart(5)} files, slowest ${(told.slowestMs / 1000).toFixed(2)} ` +
        `s (${told.slowest}), ` +
        `${told.megabytes.toFixed(0)} MB above idle, ${told.threw.length} crashed, ${told.wrong.length} read as ` +
        'something else',
    );
    [...told.threw, ...told.wrong].slice(0, 5).forEach((row) => say(`    ${row}`));
  }
  const sum = (of: (told: Told) => number): number => all.reduce((total, told) => total + of(told), 0);
  const cases = sum((told) => told.cases);
  say.put('attacks: slowest file', Math.max(...all.map((told) => told.slowestMs)) / 1000, 's', {
    bar: HANG_MS / 1000,
    n: cases,
  });
  say.put('attacks: memory above idle', Math.max(...all.map((told) => told.megabytes)), 'MB', {
    bar: MOST_MEGABYTES,
    n: cases,
  });
  say.put(
    'attacks: crashes',
    sum((told) => told.threw.length),
    'files',
    { bar: 0, n: cases },
  );
  say.put(
    'attacks: read as something else',
    sum((told) => told.wrong.length),
    'files',
    { bar: 0, n: cases },
  );
}

function inChild(name: string): Promise<Told> {
  const child = fork(new URL('./attackChild.js', import.meta.url), [name], { serialization: 'advanced' });
  return new Promise((resolve, reject) => {
    let told: Told | undefined;
    child.once('message', (message: Told) => (told = message));
    child.once('exit', (code) => (told ? resolve(told) : reject(new Error(`${name} ended the process (${code})`))));
  });
}

/** The child's side: one kind of files, one after the other. */
export async function attack(name: string): Promise<Told> {
  const kernels = await loadKernels();
  const family = SHIPPED_FONTS.find((one) => one.family === 'Work Sans');
  const font = (await readFont(family?.styles[0].hash ?? '')) ?? new Uint8Array(0);
  const told: Told = { name, cases: 0, slowestMs: 0, slowest: '', megabytes: 0, wrong: [], threw: [] };
  const work = await casesOf(name, font, kernels);
  const idle = process.memoryUsage().rss;
  const run = async (label: string, one: () => Promise<string>): Promise<void> => {
    const start = performance.now();
    const wrong = await one().catch((error: unknown) => void told.threw.push(`${label}: ${String(error)}`));
    const took = performance.now() - start;
    if (wrong) told.wrong.push(`${label}: ${wrong}`);
    if (took > told.slowestMs) [told.slowestMs, told.slowest] = [took, label];
    told.megabytes = Math.max(told.megabytes, (process.memoryUsage().rss - idle) / 1e6);
    told.cases++;
  };
  for (const [label, one] of work) await run(label, one);
  return told;
}

type Case = [label: string, work: () => Promise<string>];

async function casesOf(
  name: string,
  font: Uint8Array,
  kernels: Kernels & Awaited<ReturnType<typeof loadKernels>>,
): Promise<Case[]> {
  if (name === 'made files')
    return ATTACKS.map(({ name: label, format, bytes, becomes }) => {
      const file = bytes();
      return [
        `${format}, ${label}`,
        async () => {
          const read = await readAny(format, file, kernels.loadUnpacker);
          return becomes !== 'either' && read.ok !== (becomes === 'read') ? `was ${read.ok ? 'read' : 'refused'}` : '';
        },
      ];
    });
  if (name === 'heavy drawings') {
    const engine = new Engine({ kernels, catalogue: SHIPPED_FONTS, loadFont: readFont, cacheBytes: 4e8 });
    return HEAVY_DRAWINGS.map(([label, bytes]) => [
      label,
      async () => {
        const read = readSvg(new TextDecoder().decode(bytes()));
        if (!read.ok) return '';
        // built until somebody would stop it
        const until = performance.now() + HANG_MS / 2;
        const context = { ...quietContext, cancelled: () => performance.now() > until };
        const project = newProject('p', 'p', [newDrawing('a', 'Mark', usualDrawing(read.value.shape))]);
        await engine.evaluate(project, 'a', context);
        return '';
      },
    ]);
  }
  const sample = samples(font).find((one) => one.name === name);
  if (!sample) throw new Error(`there is no sample "${name}"`);
  const random = seededRandom(20_261_130);
  const files = Array.from({ length: MUTATIONS }, () => mutate(sample.bytes, random, sample.isText));
  return files.map((bytes, i) => [
    `${i}`,
    async () => {
      const { verdict, why } = await judge(sample, bytes, kernels);
      return verdict === 'wrong' ? why : '';
    },
  ]);
}
