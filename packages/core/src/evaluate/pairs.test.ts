import { testTools } from '../testing/faces.ts';
import { judgePair, pairOf } from '../testing/pairs.ts';
import { Engine } from './engine.ts';

const engine = new Engine(await testTools());
/** As many as PAIRS says, from there on: 300 were looked at by hand. */
const SEEDS = Array.from({ length: Number(process.env.PAIRS ?? 16) }, (_, i) => 9000 + i);

test.each(SEEDS.map((seed) => [pairOf(seed).name, seed]))('%s', async (_, seed) => {
  const judged = await judgePair(pairOf(Number(seed)), engine);
  expect(judged.wrong).toEqual([]);
  expect(judged.body).not.toBe('unsound');
});
