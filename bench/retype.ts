import {
  applyEdit,
  condition,
  Engine,
  gridStep,
  newPiece,
  newProject,
  quietContext,
  splitGraphemes,
  unwrap,
  type FontFace,
  type Kernels,
  type Project,
} from '@fictile/core';
import { readFont, SHIPPED_FONTS } from '@fictile/fonts';
import { glyphRings } from './fonts.ts';
import { median } from './statistics.ts';
import { extrude, shapesOf } from './three.ts';
import type { Say } from './figures.ts';

const TEXT = 'Kiln opening weekend at Saltglaze Row 17 pots';
const REPEATS = 15;

/**
 * One letter of 40 changes: what we build anew and how long it takes, beside the general library building all letters.
 */
export async function benchRetype(kernels: Kernels, face: FontFace, say: Say): Promise<string> {
  const letters = splitGraphemes(TEXT)
    .filter((g) => g !== ' ')
    .slice(0, 40);
  const engine = new Engine({ kernels, catalogue: SHIPPED_FONTS, loadFont: readFont, cacheBytes: 256e6 });
  let project = newProject('bench', 'bench', [newPiece('words', 'bench', letters)]);
  project = edited(project, {
    kind: 'setWords',
    pieceId: 'words',
    values: { font: { family: face.name, weight: 700, italic: false, axes: {} }, tracking: 40 },
  });
  unwrap(await engine.evaluate(project, 'words', quietContext));
  const shapes = shapesOfAll(face, letters);
  extrudeAll(shapes);
  const times: number[] = [];
  const theirTimes: number[] = [];
  let most = 0;
  for (let i = 0; i < REPEATS; i++) {
    const at = (i * 7) % letters.length;
    project = edited(project, {
      kind: 'spliceWords',
      pieceId: 'words',
      at,
      remove: 1,
      insert: [String.fromCodePoint(0xc0 + i)],
    });
    const start = performance.now();
    const evaluated = unwrap(await engine.evaluate(project, 'words', quietContext));
    times.push(performance.now() - start);
    theirTimes.push(extrudeAll(shapes));
    most = Math.max(most, evaluated.built.wavefronts);
  }
  const theirs = median(theirTimes);
  const ours = median(times);
  say.put(`retype, ${face.name}: clusters built for a letter`, most, 'clusters', { bar: 1 });
  say.put(`retype, ${face.name}: all anew to ours, time`, theirs / ours, 'times');
  return (
    `${face.name}: at most ${most} cluster built, ours ${ours.toFixed(1)} ms, three rebuilding 40 ` +
    `letters ${theirs.toFixed(1)} ms, ${(theirs / ours).toFixed(1)} times`
  );
}

const edited = (project: Project, edit: Parameters<typeof applyEdit>[1]): Project => unwrap(applyEdit(project, edit));

type Shapes = ReturnType<typeof shapesOf>;

function shapesOfAll(face: FontFace, letters: readonly string[]): Shapes {
  const step = gridStep(200);
  return letters.flatMap((letter) => {
    const { rings, em } = glyphRings(face, letter, { sizeMm: 72, step, toleranceMm: 0.05 });
    return shapesOf(condition(rings, em).outline, step);
  });
}

function extrudeAll(shapes: Shapes): number {
  const start = performance.now();
  extrude(shapes, { depth: 18, inset: 2, deep: 2, steps: 4 }).dispose();
  return performance.now() - start;
}
