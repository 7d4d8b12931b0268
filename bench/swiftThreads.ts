import { Engine, quietContext, usualStep, type Crew, type Kernels, type Project, type Step } from '@fictile/core';
import { startThreads } from '@fictile/cli';
import { readFont, SHIPPED_FONTS } from '@fictile/fonts';
import { hashOf } from './bytes.ts';
import { seededProjects } from './bytesCases.ts';
import type { Say } from './figures.ts';
import { LETTERS, shapedWords } from './shapedWords.ts';
import { median } from './statistics.ts';

const REPEATS = 7;
const WARM = 3;
const CASES = 12;
const BEND: Step = { ...usualStep('bend', 's'), angleDegrees: 90 };
/** Fine enough for some 70,000 faces. */
const FINE_MM = 0.003125;

/** Building and shaping by one thread and by two, on a machine with two cores; and the bytes of any number of them. */
export async function benchThreads(kernels: Kernels, say: Say): Promise<void> {
  const project = shapedWords(LETTERS, [BEND], FINE_MM);
  const alone = await timeOf(kernels, project, undefined);
  const two = startThreads(1);
  const together = await timeOf(kernels, project, two.hub.until(Infinity));
  await two.end();
  const times = alone / together;
  say.put('swift: building and shaping with two threads', times, 'times', { bar: 1.6, atLeast: true, n: REPEATS });
  say(
    `  building and shaping: one thread ${alone.toFixed(0)} ms, two ${together.toFixed(0)} ms, ` +
      `${times.toFixed(2)} times`,
  );
  await sameBytes(kernels, say);
}

async function timeOf(kernels: Kernels, project: Project, crew: Crew | undefined): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < WARM + REPEATS; i++) {
    const engine = engineOf(kernels);
    const start = performance.now();
    await engine.evaluate(project, 'words', { ...quietContext, crew });
    if (i >= WARM) times.push(performance.now() - start);
  }
  return median(times);
}

const engineOf = (kernels: Kernels): Engine =>
  new Engine({ kernels, catalogue: SHIPPED_FONTS, loadFont: readFont, cacheBytes: 4e8 });

async function sameBytes(kernels: Kernels, say: Say): Promise<void> {
  const projects = seededProjects(2 * CASES).filter(({ id }) => id.startsWith('alone'));
  let other = 0;
  for (const threads of [1, 2, 3, 5]) {
    const crew = startThreads(threads - 1);
    for (const project of projects) {
      const [one, many] = [
        await hashOf(kernels, project),
        await hashOf(kernels, project, { crew: crew.hub.until(Infinity) }),
      ];
      if (one !== many) other++;
    }
    await crew.end();
  }
  say.put('swift: other bytes with 1, 2, 3 or 5 threads', other, 'projects', { bar: 0, n: 4 * projects.length });
  say(`  ${projects.length} projects with 1, 2, 3 and 5 threads: ${other} with other bytes`);
}
