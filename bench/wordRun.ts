import type { Kernels } from '@fictile/core';
import type { Say } from './figures.ts';
import type { WordAsked } from './wordBuild.ts';
import { WordJudge } from './wordCases.ts';

const SEED = 41;
/** How many of each kind make about a thousand, unless said otherwise. */
const SHARES = { outward: 0.4, other: 0.2, swept: 0.4 };

/**
 * Words, and pairs and lines of letters through the place where they meet: what is unsound, and what crosses untold.
 */
export async function benchWords(
  kernels: Kernels,
  count: number,
  seed: number | undefined,
  { say }: { say: Say },
): Promise<void> {
  const judge = new WordJudge(kernels, seed ?? SEED);
  const [unsound, untold]: [string[], string[]] = [[], []];
  let [judged, swept] = [0, 0];
  const add = async (asked: WordAsked): Promise<void> => {
    const verdict = await judge.judge(asked);
    judged++;
    if (!verdict.sound) unsound.push(nameOf(asked));
    if (!verdict.told) untold.push(nameOf(asked));
    if (!verdict.sound || !verdict.told) say(`  ${verdict.sound ? 'untold' : 'not sound'}: ${nameOf(asked)}`);
    if (judged % 200 === 0) say(`  ${judged} of about ${count}, ${unsound.length} not sound, ${untold.length} untold`);
  };
  for (let i = 0; i < SHARES.outward * count; i++) await add(judge.word(true));
  for (let i = 0; i < SHARES.other * count; i++) await add(judge.word(false));
  while (swept < SHARES.swept * count) {
    for (const asked of await judge.throughContact()) {
      await add(asked);
      swept++;
    }
  }
  say.put('words: not sound', unsound.length, 'solids', { bar: 0, n: judged });
  say.put('words: crossing untold', untold.length, 'solids', { bar: 0, n: judged });
  say(
    `${judged} words, pairs and lines judged (${swept} through their contact), ${unsound.length} not ` +
      `sound, ${untold.length} crossing untold`,
  );
}

const nameOf = ({ text, words, solid }: WordAsked): string =>
  `${JSON.stringify(text)} ${JSON.stringify({ ...words, solid })}`;
