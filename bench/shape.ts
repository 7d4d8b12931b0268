import { writeFileSync } from 'node:fs';
import {
  chainOf,
  display,
  Engine,
  faceCount,
  quietContext,
  roughDisplay,
  triangulate,
  unwrap,
  usualStep,
  type BuiltCluster,
  type Evaluated,
  type Kernels,
  type Project,
  type ShapeStep,
} from '@fictile/core';
import { readFont, SHIPPED_FONTS } from '@fictile/fonts';
import { growthPlot } from './growthPlot.ts';
import { LETTERS, shapedWords } from './shapedWords.ts';
import { median, quantile } from './statistics.ts';
import type { Say } from './figures.ts';

const TOLERANCE_MM = 0.05;
const DRAGS = 24;
const FACES_DRAGGED = 100_000;
const GROWTH = [5, 10, 20, 40, 80];

const bend = (id: string, angleDegrees: number): ShapeStep => ({ ...usualStep('bend', id), angleDegrees });
const twist = (angleDegrees: number): ShapeStep => ({ ...usualStep('twist', 'twist'), angleDegrees });
const noise: ShapeStep = { ...usualStep('noise', 'noise'), heightMm: 3, sizeMm: 40 };

const CHAINS: readonly { name: string; steps: readonly ShapeStep[] }[] = [
  { name: 'bent by 180', steps: [bend('a', 180)] },
  { name: 'bent twice by 90 in one place', steps: [bend('a', 90), bend('b', 90)] },
  { name: 'twisted by 180', steps: [twist(180)] },
  { name: 'uneven by 3 mm', steps: [noise] },
  { name: 'bent, twisted, uneven', steps: [bend('a', 90), twist(60), noise] },
];

/**
 * Forty letters shaped with automatic faces: how far they lie from the exact map; how fast an angle is dragged; how
 * time grows with letters.
 */
export async function benchShape(
  kernels: Kernels,
  yardstickMs: number,
  say: Say,
  { plot }: { plot?: string } = {},
): Promise<void> {
  const engine = new Engine({ kernels, catalogue: SHIPPED_FONTS, loadFont: readFont, cacheBytes: 1e9 });
  say(`\nForty letters, capitals 72 mm, tolerance ${TOLERANCE_MM} mm: farthest from the exact map`);
  for (const { name, steps } of CHAINS) {
    const evaluated = await evaluate(engine, project(LETTERS, steps));
    const farthest = Math.max(...evaluated.clusters.map((cluster) => farthestFrom(cluster, steps, evaluated)));
    say.put(`shape: ${name}: farthest from the exact map`, farthest, 'mm', { bar: TOLERANCE_MM });
    say(
      `  ${name}: ${farthest.toFixed(4)} mm, ${evaluated.stepFaces[0].faces} faces, edges up ` +
        `to ${evaluated.need?.needMm.toFixed(2)} mm`,
    );
  }
  await benchDrag(engine, yardstickMs, say);
  await benchLetters(kernels, say, plot);
}

const project = (letters: readonly string[], steps: readonly ShapeStep[], toleranceMm = TOLERANCE_MM): Project =>
  shapedWords(letters, steps, toleranceMm);

const evaluate = async (engine: Engine, made: Project, preview = false): Promise<Evaluated> =>
  unwrap(await engine.evaluate(made, 'words', quietContext, { preview }));

type Vec3 = [number, number, number];

/** Places in a triangle, barycentric: along its edges and inside. */
const SAMPLES: readonly Vec3[] = [
  [0.5, 0.5, 0],
  [0, 0.5, 0.5],
  [0.5, 0, 0.5],
  [0.75, 0.25, 0],
  [0.25, 0.75, 0],
  [0, 0.75, 0.25],
  [0, 0.25, 0.75],
  [0.25, 0, 0.75],
  [0.75, 0, 0.25],
  [1 / 3, 1 / 3, 1 / 3],
  [0.6, 0.2, 0.2],
  [0.2, 0.6, 0.2],
  [0.2, 0.2, 0.6],
];

/** From images of places in the flat triangles to the planes of the triangles that they became, mm. */
function farthestFrom(
  { mesh, letters }: BuiltCluster,
  steps: readonly ShapeStep[],
  { flat, letters: laid }: Evaluated,
): number {
  const { rest } = mesh;
  if (!rest || !flat) throw new Error('nothing was shaped');
  const chain = chainOf(steps, { box: flat });
  const { id, x, y, advance } = laid[letters[0]];
  const point = { normal: [0, 0, 1] as Vec3, letter: id, foot: [x + advance / 2, y, 0] as Vec3, isFront: true };
  const { corners } = triangulate(mesh);
  let farthest = 0;
  for (let t = 0; t < corners.length; t += 3) {
    const row = [0, 1, 2].map((k) => mesh.faceVertices[corners[t + k]]);
    const [a, b, c] = row.map((v): Vec3 => [
      mesh.positions[3 * v],
      mesh.positions[3 * v + 1],
      mesh.positions[3 * v + 2],
    ]);
    const normal = unitNormal(a, b, c);
    if (!normal) continue;
    for (const weights of SAMPLES) {
      const place = [0, 1, 2].map((k) => weights.reduce((sum, w, i) => sum + w * rest[3 * row[i] + k], 0)) as Vec3;
      const image = chain.at({ ...point, rest: place });
      farthest = Math.max(farthest, Math.abs(normal.reduce((sum, n, k) => sum + n * (image[k] - a[k]), 0)));
    }
  }
  return farthest;
}

/** Undefined for slivers, whose planes say nothing: their edges are other triangles' too. */
function unitNormal(a: Vec3, b: Vec3, c: Vec3): Vec3 | undefined {
  const [u, v] = [b, c].map((p) => p.map((value, k) => value - a[k]));
  const n: Vec3 = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]];
  const size = Math.hypot(...n);
  const longest = Math.max(Math.hypot(...u), Math.hypot(...v));
  return size > 1e-3 * longest * longest ? (n.map((value) => value / size) as Vec3) : undefined;
}

/** An angle dragged: the preview and the exact mesh, each with its buffers for the renderer. */
async function benchDrag(engine: Engine, yardstickMs: number, say: Say): Promise<void> {
  let toleranceMm = TOLERANCE_MM;
  let faces = 0;
  for (let i = 0; i < 12 && faces < FACES_DRAGGED; i++, toleranceMm /= 2)
    faces = (await evaluate(engine, project(LETTERS, [twist(60)], toleranceMm))).stepFaces[0].faces;
  const times = { preview: [] as number[], exact: [] as number[] };
  for (let i = 0; i < DRAGS; i++) {
    for (const kind of ['preview', 'exact'] as const) {
      const start = performance.now();
      const evaluated = await evaluate(
        engine,
        project(LETTERS, [twist(60 + (i + 1) / 4)], toleranceMm * 2),
        kind === 'preview',
      );
      for (const { mesh } of evaluated.clusters) (kind === 'preview' ? roughDisplay : display)(mesh);
      times[kind].push(performance.now() - start);
      faces = evaluated.clusters.reduce((sum, { mesh }) => sum + faceCount(mesh), 0);
    }
  }
  const told = (kind: 'preview' | 'exact'): string => {
    const [half, most] = [median(times[kind]), quantile(times[kind], 0.95)];
    return (
      `${kind} p50 ${half.toFixed(0)} ms, p95 ${most.toFixed(0)} ms = ${(most / yardstickMs).toFixed(1)} ` +
      'yardsticks'
    );
  };
  say.put('shape: preview p95', quantile(times.preview, 0.95), 'ms', { aim: 50, n: DRAGS });
  say.put('shape: exact p95', quantile(times.exact, 0.95), 'ms', { aim: 300, n: DRAGS });
  say(`\nAn angle dragged at ${faces} faces, with buffers for the renderer: ${told('preview')}; ${told('exact')}`);
}

async function benchLetters(kernels: Kernels, say: Say, plot: string | undefined): Promise<void> {
  const rows: { points: number; ours: number; theirs: number }[] = [];
  for (const count of GROWTH) {
    const letters = Array.from({ length: count }, (_, i) => LETTERS[i % LETTERS.length]);
    const engine = new Engine({ kernels, catalogue: SHIPPED_FONTS, loadFont: readFont, cacheBytes: 1e9 });
    const times = { ours: [] as number[], theirs: [] as number[] };
    for (let i = 0; i < 7; i++) {
      // the same bend for every letter, however many there are
      const steps = [bend('a', (90 + i) * (count / GROWTH[GROWTH.length - 1]))];
      for (const [kind, preview] of [
        ['theirs', true],
        ['ours', false],
      ] as const) {
        const start = performance.now();
        await evaluate(engine, project(letters, steps), preview);
        if (i > 1) times[kind].push(performance.now() - start);
      }
    }
    rows.push({ points: count, ours: median(times.ours), theirs: median(times.theirs) });
  }
  const [first, last] = [rows[1], rows[rows.length - 1]];
  const slope = Math.log(last.ours / first.ours) / Math.log(last.points / first.points);
  say.put('shape: slope over letters', slope, '', { n: rows.length });
  say(
    `\nLetters bent, exact: ${rows.map(({ points, ours }) => `${points}: ${ours.toFixed(0)} ms`).join(', ')}; ` +
      `slope from ${first.points} on ${slope.toFixed(2)}`,
  );
  if (plot) writeFileSync(plot, growthPlot(rows, { ours: 'exact', theirs: 'preview', across: 'letters' }));
}
