import {
  newForm,
  newPiece,
  splitGraphemes,
  usualForms,
  usualStep,
  type CrewHub,
  type Edit,
  type Kernels,
  type Project,
} from '@fictile/core';
import { startThreads } from '@fictile/cli';
import type { Say } from './figures.ts';
import { Hand } from './hand.ts';
import { madeProject } from './madeProject.ts';
import { LETTERS, shapedWords } from './shapedWords.ts';
import { median, quantile } from './statistics.ts';

const WARM = 4;
const TYPED = 12;
const TEN = splitGraphemes('SALTGLAZES');
const MANY = [125, 250, 500, 1000];

/** Letters typed: alone, on a jug, engraved in it; engraved ones dragged; a thousand of them. */
export async function benchSwiftTyping(kernels: Kernels, say: Say): Promise<void> {
  const threads = startThreads();
  const at = { kernels, crew: threads.hub, say };
  await each('typing one of 40 letters', (i) => shapedWords(retyped(LETTERS, i), [], 0.05), { ...at, bar: 50 });
  await each('typing one of ten letters laid on a jug', (i) => onJug(retyped(TEN, i), false), {
    ...at,
    bar: 200,
  });
  await each('typing one of ten letters engraved in a jug', (i) => onJug(retyped(TEN, i), true), {
    ...at,
    bar: 800,
  });
  await each('ten engraved letters dragged, exact', (i) => onJug(TEN, true, i / 2), { ...at, bar: 800 });
  await thousand(at);
  await threads.end();
}

interface Bench {
  kernels: Kernels;
  crew: CrewHub;
  say: Say;
}

interface Typing extends Bench {
  /** ms */
  bar: number;
}

async function each(name: string, of: (i: number) => Project, { kernels, crew, say, bar }: Typing): Promise<void> {
  const hand = new Hand(kernels, crew);
  const times: number[] = [];
  for (let i = 0; i < WARM + TYPED; i++) {
    const { ms } = await hand.ask(of(i), false);
    if (i >= WARM) times.push(ms);
  }
  const most = quantile(times, 0.95);
  say.put(`swift: ${name}: p95`, most, 'ms', { bar, n: times.length });
  say(`  ${name}: p50 ${median(times).toFixed(0)} ms, p95 ${most.toFixed(0)} ms`);
}

/** With its last letter another one each time. */
const retyped = (letters: readonly string[], i: number): string[] => [
  ...letters.slice(0, -1),
  String.fromCodePoint(0x41 + (i % 26)),
];

function onJug(letters: readonly string[], isCut: boolean, turnDegrees = 0): Project {
  const onto = { ...usualStep('onto', 'onto'), target: 'jug', fromMm: [0, 100, 300] as [number, number, number] };
  const edits: Edit[] = [
    { kind: 'setFaces', pieceId: 'jug', values: { toleranceMm: 0.02 } },
    { kind: 'setWords', pieceId: 'words', values: { sizeMm: 18, tracking: 20, anchor: 'middle' } },
    { kind: 'setSolid', pieceId: 'words', values: { depthMm: 4 } },
    { kind: 'setSteps', pieceId: 'words', steps: [{ ...onto, guide: 'level', turnDegrees }] },
  ];
  if (isCut)
    edits.push({
      kind: 'setSteps',
      pieceId: 'jug',
      steps: [{ ...usualStep('cut', 'cut'), target: 'words', operation: 'engrave', sinkMm: 2 }],
    });
  const pieces = [newPiece('words', 'words', [...letters]), newForm('jug', 'jug', usualForms().jug)];
  return madeProject('swift', pieces, edits);
}

/** First sight of more and more letters, and one typed among them. */
async function thousand({ kernels, crew, say }: Bench): Promise<void> {
  const letters = (count: number, i = 0): string[] =>
    retyped(
      Array.from({ length: count }, (_, k) => (k % 40 === 39 ? '\n' : LETTERS[(k * 7) % LETTERS.length])),
      i,
    );
  await new Hand(kernels, crew).ask(shapedWords(letters(MANY[0]), [], 0.05), false);
  const firsts: number[] = [];
  for (const count of MANY) {
    const hand = new Hand(kernels, crew);
    firsts.push((await hand.ask(shapedWords(letters(count), [], 0.05), false)).ms);
    if (count !== MANY.at(-1)) continue;
    const times: number[] = [];
    for (let i = 1; i <= TYPED; i++) times.push((await hand.ask(shapedWords(letters(count, i), [], 0.05), false)).ms);
    const most = quantile(times, 0.95);
    say.put('swift: typing one of 1,000 letters: p95', most, 'ms', { bar: 100, aim: 60, n: times.length });
    say(`  typing one of ${count} letters: p50 ${median(times).toFixed(0)} ms, p95 ${most.toFixed(0)} ms`);
  }
  const slope = Math.log(firsts[firsts.length - 1] / firsts[0]) / Math.log(MANY[MANY.length - 1] / MANY[0]);
  say.put('swift: first sight of 125 to 1,000 letters: slope', slope, '', { bar: 1.1, n: MANY.length });
  say(
    `  first sight of ${MANY.join(', ')} letters: ${firsts.map((ms) => ms.toFixed(0)).join(', ')} ms, ` +
      `slope ${slope.toFixed(2)}`,
  );
}
