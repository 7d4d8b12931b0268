import { newForm, newPiece, usualStep, type Kernels, type Project, type Step } from '@fictile/core';
import { startThreads } from '@fictile/cli';
import { Hand } from './hand.ts';
import { LETTERS, shapedWords } from './shapedWords.ts';
import { median, quantile } from './statistics.ts';
import type { Say } from './figures.ts';
import { madeProject } from './madeProject.ts';

const FACES_PULLED = 100_000;
const PREVIEWS = 60;
const EXACTS = 6;
/** Pulls before those that count: a hand that begins waits once. */
const WARM = 10;

/** Bars hold where the yardstick takes 18 ms and scale with it; ms. */
const BARS = { preview: { bar: 60, aim: 33 }, exact: { bar: 700, aim: 400 } };

const PULLS: readonly { name: string; step(by: number): Step }[] = [
  { name: 'bent', step: (by) => ({ ...usualStep('bend', 's'), angleDegrees: 90 + by }) },
  { name: 'twisted', step: (by) => ({ ...usualStep('twist', 's'), angleDegrees: 60 + by }) },
  { name: 'uneven', step: (by) => ({ ...usualStep('noise', 's'), heightMm: 3 + by / 50 }) },
  { name: 'along a line', step: (by) => ({ ...usualStep('run', 's'), shiftMm: by }) },
];

/** From what a hand pulls to buffers handed to the renderer, drawing left out. */
export async function benchSwift(kernels: Kernels, yardstickMs: number, say: Say): Promise<void> {
  // as in the page: what a hand waits for takes all cores
  const threads = startThreads();
  for (const pull of PULLS) {
    const hand = new Hand(kernels, threads.hub);
    const facesAt = async (toleranceMm: number): Promise<number> =>
      (await hand.ask(shapedWords(LETTERS, [pull.step(0)], toleranceMm), false)).faces;
    const toleranceMm = await toleranceFor(facesAt);
    const faces = await facesAt(toleranceMm);
    const of = (by: number): Project => shapedWords(LETTERS, [pull.step(by)], toleranceMm);
    await tell(`${pull.name}, ${faces} faces`, (by) => of(by / 4), { hand, say, yardstickMs });
  }
  const hand = new Hand(kernels, threads.hub);
  const { faces } = await hand.ask(onBall(0), false);
  await tell(`lettering over a ball, ${faces} faces of both`, onBall, { hand, say, yardstickMs });
  await threads.end();
}

/** The largest tolerance, within a twentieth, that asks for as many faces as are to be pulled. */
async function toleranceFor(facesAt: (toleranceMm: number) => Promise<number>): Promise<number> {
  let [few, many] = [0.1, 0.05];
  while ((await facesAt(many)) < FACES_PULLED) [few, many] = [many, many / 2];
  while (few > 1.05 * many) {
    const middle = Math.sqrt(few * many);
    if ((await facesAt(middle)) < FACES_PULLED) few = middle;
    else many = middle;
  }
  return many;
}

interface Telling {
  hand: Hand;
  say: Say;
  yardstickMs: number;
}

async function tell(name: string, of: (by: number) => Project, { hand, say, yardstickMs }: Telling): Promise<void> {
  const times = { preview: [] as number[], exact: [] as number[] };
  for (let i = 1; i <= WARM + PREVIEWS; i++) {
    const { ms } = await hand.ask(of(i), true);
    if (i > WARM) times.preview.push(ms);
  }
  for (let i = 1; i <= EXACTS; i++) times.exact.push((await hand.ask(of(i), false)).ms);
  for (const kind of ['preview', 'exact'] as const) {
    const [half, most] = [median(times[kind]), quantile(times[kind], 0.95)];
    say.put(`swift: ${name}: ${kind} p95`, most, 'ms', { ...BARS[kind], n: times[kind].length });
    say(
      `  ${name}: ${kind} p50 ${half.toFixed(0)} ms, p95 ${most.toFixed(0)} ms ` +
        `(${(most / yardstickMs).toFixed(1)} yardsticks)`,
    );
  }
}

/** Words that are turned on a ball of about 200,000 triangles. */
function onBall(turnDegrees: number): Project {
  const pieces = [newPiece('words', 'swift', LETTERS), newForm('ball', 'ball', { kind: 'ball', radiusMm: 100 })];
  const onto = { ...usualStep('onto', 'onto'), target: 'ball', fromMm: [0, 100, 300] as [number, number, number] };
  return madeProject('swift', pieces, [
    { kind: 'setWords', pieceId: 'words', values: { sizeMm: 9 } },
    { kind: 'setSolid', pieceId: 'words', values: { depthMm: 3 } },
    { kind: 'setFaces', pieceId: 'ball', values: { toleranceMm: 0.001 } },
    { kind: 'setSteps', pieceId: 'words', steps: [{ ...onto, turnDegrees: turnDegrees / 4 }] },
  ]);
}
