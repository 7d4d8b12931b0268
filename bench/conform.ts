import {
  distortionAt,
  Engine,
  formMesh,
  layOnto,
  newForm,
  newPiece,
  OntoMap,
  quietContext,
  splitGraphemes,
  Target,
  unwrap,
  usualStep,
  type Edit,
  type Evaluated,
  type FormShape,
  type Kernels,
  type OntoStep,
  type PolygonMesh,
  type Project,
} from '@fictile/core';
import { readFont, SHIPPED_FONTS } from '@fictile/fonts';
import { median, quantile } from './statistics.ts';
import type { Say } from './figures.ts';
import { madeProject } from './madeProject.ts';

const TEXT = 'Kiln opening weekend at Saltglaze Row 17 pots and mug';
const RADIUS_MM = 100;
const ROUNDS = 12;
/** A ball of about 200,000 triangles. */
const BALL: FormShape = { kind: 'ball', radiusMm: RADIUS_MM };
const BALL_TOLERANCE_MM = 0.001;

/**
 * Forty letters on a ball of 200,000 triangles: laying them against going to the nearest point, lengths both ways, and
 * dragging.
 */
export async function benchConform(kernels: Kernels, yardstickMs: number, say: Say): Promise<void> {
  const mesh = formMesh(BALL, BALL_TOLERANCE_MM);
  const target = new Target(mesh);
  say(`\nForty letters on ${target.triangles} triangles`);
  lay(mesh, target, yardstickMs, { say });
  await drag(kernels, yardstickMs, say);
}

const BOX = { low: [-120, -12, 0], high: [120, 12, 4] } as {
  low: [number, number, number];
  high: [number, number, number];
};
const POINTS = 60_000;

function lay(mesh: PolygonMesh, target: Target, yardstickMs: number, { say }: { say: Say }): void {
  const hold = (from: [number, number, number]) => ({
    from,
    toward: [0, 0, -1] as [number, number, number],
    up: [0, 1, 0] as [number, number, number],
    turnDegrees: 0,
  });
  const options = { box: BOX, front: 4, baselines: [], middle: 0, nodes: 2300 };
  const run = (method: 'round' | 'closest'): { ms: number; rms: number; most: number } => {
    const times: number[] = [];
    const laying = {
      method,
      hold: hold([0, RADIUS_MM, method === 'round' ? 300 : RADIUS_MM + 5]),
      guide: 'straight' as const,
      rounds: false,
    };
    let map = layOnto(target, laying, options);
    for (let n = 0; n < 5; n++) {
      const started = performance.now();
      if (method === 'round') map = layOnto(target, laying, options);
      if (!map) throw new Error('nothing is met');
      const onto = new OntoMap(map, { box: BOX, lift: 0, root: 0.1, rigid: false, rough: false, toleranceMm: 0.02 });
      for (let i = 0; i < POINTS; i++)
        onto.move([-120 + (240 * i) / POINTS, -12 + ((24 * 7919 * i) % POINTS) / POINTS, 2], {
          foot: [0, 0, 0],
          letter: -1,
        });
      times.push(performance.now() - started);
    }
    const errors = Array.from({ length: 2000 }, (_, i) => {
      const { longest, shortest } = distortionAt(
        map!,
        -115 + (230 * i) / 2000,
        -11 + ((22 * 977 * i) % 2000) / 2000,
        0,
      );
      return Math.max(Math.abs(longest - 1), Math.abs(shortest - 1));
    });
    return {
      ms: median(times),
      rms: Math.sqrt(errors.reduce((sum, e) => sum + e * e, 0) / errors.length),
      most: Math.max(...errors),
    };
  };
  const [round, closest] = [run('round'), run('closest')];
  const tell = (name: string, { ms, rms, most }: typeof round): void =>
    say(
      `  ${name}: ${POINTS} points in ${ms.toFixed(0)} ms (${(ms / yardstickMs).toFixed(1)} yardsticks), lengths ` +
        `off by ${(100 * rms).toFixed(2)} % rms, ${(100 * most).toFixed(1)} % at most`,
    );
  tell('laid round', round);
  say.put('conform: lengths laid round, root mean square', 100 * round.rms, '%', { n: POINTS });
  say.put('conform: laid round to nearest point, time', round.ms / closest.ms, 'times', { aim: 1, n: POINTS });
  tell('to the nearest point', closest);
  say(
    `  laid round takes ${(round.ms / closest.ms).toFixed(2)} times the nearest-point ` +
      `way; ${mesh.positions.length / 3} points of the ball`,
  );
}

async function drag(kernels: Kernels, yardstickMs: number, say: Say): Promise<void> {
  const engine = new Engine({ kernels, catalogue: SHIPPED_FONTS, loadFont: readFont, cacheBytes: 1e9 });
  await evaluate(engine, project(0), false);
  const [previews, exacts]: number[][] = [[], []];
  let faces = 0;
  for (let n = 1; n <= ROUNDS; n++) {
    previews.push(await timed(() => evaluate(engine, project(n), true)));
    exacts.push(
      await timed(async () => {
        faces = (await evaluate(engine, project(n), false)).stepFaces[0].faces;
      }),
    );
  }
  const told = (name: string, times: readonly number[]): void =>
    say(
      `  ${name}: p50 ${median(times).toFixed(0)} ms, p95 ${quantile(times, 0.95).toFixed(0)} ms ` +
        `(${(quantile(times, 0.95) / yardstickMs).toFixed(1)} yardsticks)`,
    );
  say(`Dragged over it, ${faces} faces:`);
  told('preview', previews);
  told('exact when still', exacts);
  say.put('conform: preview p95', quantile(previews, 0.95), 'ms', { aim: 50, n: ROUNDS });
  say.put('conform: exact p95', quantile(exacts, 0.95), 'ms', { aim: 500, n: ROUNDS });
}

async function timed(work: () => Promise<unknown>): Promise<number> {
  const started = performance.now();
  await work();
  return performance.now() - started;
}

function project(turn: number): Project {
  const words = newPiece('words', 'bench', splitGraphemes(TEXT));
  const step: OntoStep = {
    ...usualStep('onto', 'onto'),
    target: 'body',
    fromMm: [turn, RADIUS_MM + turn, 300],
    turnDegrees: turn,
  };
  const edits: Edit[] = [
    { kind: 'setWords', pieceId: 'words', values: { sizeMm: 12, anchor: 'middle' } },
    {
      kind: 'setSolid',
      pieceId: 'words',
      values: { depthMm: 4, front: { kind: 'round', inMm: 0.6, deepMm: 0.6, steps: 6, points: [] } },
    },
    { kind: 'setFaces', pieceId: 'words', values: { toleranceMm: 0.02 } },
    { kind: 'setFaces', pieceId: 'body', values: { toleranceMm: BALL_TOLERANCE_MM } },
    { kind: 'setSteps', pieceId: 'words', steps: [step] },
  ];
  return madeProject('bench', [words, newForm('body', 'ball', BALL)], edits);
}

async function evaluate(engine: Engine, made: Project, preview: boolean): Promise<Evaluated> {
  return unwrap(await engine.evaluate(made, 'words', quietContext, { preview }));
}
