import {
  applyEdit,
  checkMesh,
  Engine,
  heightThatHolds,
  newPiece,
  newProject,
  pieceMesh,
  quietContext,
  seededRandom,
  splitGraphemes,
  unwrap,
  usualStep,
  type Kernels,
  type Step,
} from '@fictile/core';
import { readFont, SHIPPED_FONTS } from '@fictile/fonts';
import type { Say } from './figures.ts';
import { BASIC_LATIN } from './fonts.ts';

const SEED = 12;
const CAPITALS_MM = 72;

/** Words moved outward by unevenness below the height that is stated for it: nothing may cross. */
export async function benchUneven(kernels: Kernels, count: number, seed: number | undefined, say: Say): Promise<void> {
  const engine = new Engine({ kernels, catalogue: SHIPPED_FONTS, loadFont: readFont, cacheBytes: 64e6 });
  const random = seededRandom(seed ?? SEED);
  const pick = <T>(row: readonly T[]): T => row[Math.floor(random() * row.length)];
  const between = (least: number, most: number): number => least + random() * (most - least);
  let [crossing, coarse] = [0, 0];
  for (let i = 0; i < count; i++) {
    const { family, styles } = pick(SHIPPED_FONTS);
    const { weight, italic } = pick(styles);
    const text = Array.from({ length: 1 + Math.floor(random() * 5) }, () => pick(BASIC_LATIN)).join('');
    const step = stepOf(pick, between);
    const most = heightThatHolds(step) ?? 0;
    const steps: Step[] = [{ ...step, heightMm: Math.min(between(0.2, 1) * most, CAPITALS_MM) }];
    const kind = pick(['plain', 'chamfer', 'round', 'cove'] as const);
    const solid = {
      depthMm: between(8, 24),
      front: { kind, inMm: between(0.5, 3), deepMm: between(0.5, 3), steps: 3, points: [] },
    };
    const style = pick(['plain', 'plain', 'flow', 'grid', 'bands'] as const);
    const faces = { style, sizeMm: style === 'flow' || style === 'grid' ? pick([0, 2, 3]) : 0 };
    const start = newProject('p', 'p', [newPiece('a', 'a', splitGraphemes(text))]);
    const project = unwrap(
      applyEdit(start, {
        kind: 'many',
        edits: [
          { kind: 'setWords', pieceId: 'a', values: { font: { family, weight, italic, axes: {} } } },
          { kind: 'setSolid', pieceId: 'a', values: solid },
          { kind: 'setFaces', pieceId: 'a', values: faces },
          { kind: 'setSteps', pieceId: 'a', steps },
        ],
      }),
    );
    const evaluated = unwrap(await engine.evaluate(project, 'a', quietContext));
    const { crossingFaces } = checkMesh(pieceMesh(evaluated));
    if (crossingFaces === 0) continue;
    // somebody chose faces larger than the shape needs: that is told, with a cure
    if (evaluated.remarks.some(({ code }) => code === 'NEED_FINER')) {
      coarse++;
      continue;
    }
    crossing++;
    say(`  ${crossingFaces} crossing: ${JSON.stringify([text, family, weight, solid.front, faces, steps])}`);
  }
  say.put('unevenness below the stated height: crossing', crossing, 'words', { bar: 0, n: count });
  say(
    `${count} words made uneven outward, ${crossing} crossing; ${coarse} more on faces that are told to be too coarse`,
  );
}

function stepOf(pick: <T>(row: readonly T[]) => T, between: (least: number, most: number) => number) {
  const seed = Math.floor(between(1, 1e6));
  if (pick([0, 1, 2]) === 0) {
    const wave = { ...usualStep('wave', 's'), moves: 'outward' as const, lengthMm: between(10, 120) };
    return { ...wave, towardDegrees: between(0, 360) } as const;
  }
  const noise = { ...usualStep('noise', 's'), moves: 'outward' as const, sizeMm: between(8, 60), seed };
  const character = pick(['soft', 'soft', 'creased', 'lumpy', 'pebbled'] as const);
  return { ...noise, character, detail: pick([1, 2, 3]), outwardOnly: pick([true, false]) } as const;
}
