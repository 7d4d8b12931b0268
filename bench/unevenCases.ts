import { heightThatHolds, usualStep, type Kernels, type Step } from '@fictile/core';
import { SHIPPED_FONTS } from '@fictile/fonts';
import type { Say } from './figures.ts';
import { seeded, type Seeded } from './seeded.ts';
import { wordBuilder } from './wordBuild.ts';

const SEED = 12;
const CAPITALS_MM = 72;

/** Words moved outward by unevenness below the height that is stated for it: nothing may cross. */
export async function benchUneven(
  kernels: Kernels,
  count: number,
  seed: number | undefined,
  { say }: { say: Say },
): Promise<void> {
  const build = wordBuilder(kernels);
  const random = seeded(seed ?? SEED);
  let [crossing, coarse] = [0, 0];
  for (let i = 0; i < count; i++) {
    const asked = caseOf(random);
    const { report, remarks } = await build(asked);
    if (report.crossingFaces === 0) continue;
    // somebody chose faces larger than the shape needs: that is told, with a cure
    if (remarks.includes('NEED_FINER')) {
      coarse++;
      continue;
    }
    crossing++;
    say(`  ${report.crossingFaces} crossing: ${JSON.stringify(asked)}`);
  }
  say.put('unevenness below the stated height: crossing', crossing, 'words', { bar: 0, n: count });
  say(
    `${count} words made uneven outward, ${crossing} crossing; ${coarse} more on faces that are told to be too coarse`,
  );
}

function caseOf(random: Seeded) {
  const { pick, between, chance, letters } = random;
  const { family, styles } = pick(SHIPPED_FONTS);
  const { weight, italic } = pick(styles);
  const text = letters(1 + Math.floor(chance() * 5));
  const step = stepOf(random);
  const most = heightThatHolds(step) ?? 0;
  const steps: Step[] = [{ ...step, heightMm: Math.min(between(0.2, 1) * most, CAPITALS_MM) }];
  const kind = pick(['plain', 'chamfer', 'round', 'cove'] as const);
  const depthMm = between(8, 24);
  const front = { kind, inMm: between(0.5, 3), deepMm: between(0.5, 3), steps: 3, points: [] };
  const style = pick(['plain', 'plain', 'flow', 'grid', 'bands'] as const);
  const faces = { style, sizeMm: style === 'flow' || style === 'grid' ? pick([0, 2, 3]) : 0 };
  return { text, words: { font: { family, weight, italic, axes: {} } }, solid: { depthMm, front }, faces, steps };
}

function stepOf({ pick, between }: Seeded) {
  const seed = Math.floor(between(1, 1e6));
  if (pick([0, 1, 2]) === 0) {
    const wave = { ...usualStep('wave', 's'), moves: 'outward' as const, lengthMm: between(10, 120) };
    return { ...wave, towardDegrees: between(0, 360) } as const;
  }
  const noise = { ...usualStep('noise', 's'), moves: 'outward' as const, sizeMm: between(8, 60), seed };
  const character = pick(['soft', 'soft', 'creased', 'lumpy', 'pebbled'] as const);
  return { ...noise, character, detail: pick([1, 2, 3]), outwardOnly: pick([true, false]) } as const;
}
