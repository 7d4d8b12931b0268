import { Engine, newPiece, quietContext, type FontFace, type Kernels } from '@fictile/core';
import { readFont, SHIPPED_FONTS } from '@fictile/fonts';
import type { Say } from './figures.ts';
import { benchFont } from './solids.ts';
import { median, quantile } from './statistics.ts';
import { madeProject } from './madeProject.ts';

const FAMILIES = 48;
const LETTER = 'g';
const EVERY = 6;

/** A letter's flowing quads in each family, and solids as they are first built, beside the general library's. */
export async function benchSwiftBuild(kernels: Kernels, faces: readonly FontFace[], say: Say): Promise<void> {
  const times: { family: string; ms: number }[] = [];
  for (const round of [0, 1, 2])
    for (const { family, styles } of SHIPPED_FONTS.slice(0, FAMILIES)) {
      const { weight, italic } = styles[0];
      const font = { family, weight, italic, axes: {} };
      const project = madeProject(
        'swift',
        [newPiece('words', 'words', [LETTER])],
        [
          { kind: 'setWords', pieceId: 'words', values: { font } },
          { kind: 'setFaces', pieceId: 'words', values: { style: 'flow' } },
        ],
      );
      const engine = new Engine({ kernels, catalogue: SHIPPED_FONTS, loadFont: readFont, cacheBytes: 64e6 });
      const start = performance.now();
      await engine.evaluate(project, 'words', quietContext);
      // the first two rounds compile
      if (round === 2) times.push({ family, ms: performance.now() - start });
    }
  const all = times.map(({ ms }) => ms);
  const [slowest] = [...times].sort((a, b) => b.ms - a.ms);
  say.put('swift: flowing quads of a letter: p95', quantile(all, 0.95), 'ms', { bar: 100, aim: 60, n: all.length });
  say(
    `  flowing quads of a letter in ${all.length} families: p50 ${median(all).toFixed(0)} ms, ` +
      `p95 ${quantile(all, 0.95).toFixed(0)} ms; slowest ${slowest.family} ${slowest.ms.toFixed(0)} ms`,
  );
  benchFont(faces[0], EVERY);
  const rows = faces.map((face) => benchFont(face, EVERY));
  const ratio = rows.reduce((sum, row) => sum + row.ours, 0) / rows.reduce((sum, row) => sum + row.theirs, 0);
  say.put('swift: solids beside the general library', ratio, 'times', { bar: 1.4, aim: 1, n: rows.length });
  say(`  solids beside the general library, one thread: ${ratio.toFixed(2)} times`);
}
