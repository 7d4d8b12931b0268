import { readFileSync } from 'node:fs';
import { fontPath, SHIPPED_FONTS } from '@fictile/fonts';
import { loadKernels } from '@fictile/kernels';
import { seededRandom } from '../../base/index.ts';
import { ATTACKS, judge, mutate, readAny, samples } from './index.ts';

const kernels = await loadKernels();
const plex = SHIPPED_FONTS.find((family) => family.family === 'Work Sans')?.styles[0].hash ?? '';
const SAMPLES = samples(new Uint8Array(readFileSync(fontPath(plex) ?? '')));
/** Of what a file of so many bytes may become: places and corners. */
const MOST_A_BYTE = 8;
const CASES = 300;

test.each(ATTACKS)('$format, $name: $becomes', async ({ format, bytes, becomes }) => {
  const file = bytes();
  const read = await readAny(format, file, kernels.loadUnpacker);
  if (becomes !== 'either')
    expect(read.ok ? 'read' : read.error).toEqual(
      becomes === 'read' ? 'read' : expect.objectContaining({ code: expect.stringMatching(/_BROKEN|TOO_LARGE/) }),
    );
  if (read.ok) expect(read.size).toBeLessThan(MOST_A_BYTE * file.length);
});

test.each(SAMPLES)('$name: valid as it is', async (sample) => {
  expect(await judge(sample, sample.bytes, kernels)).toMatchObject({ verdict: 'read' });
});

test.each(SAMPLES)('$name: with faults put in it is refused, or read as a strict reader reads it', async (sample) => {
  const random = seededRandom(sample.bytes.length);
  const wrong: string[] = [];
  let refused = 0;
  for (let i = 0; i < CASES; i++) {
    const bytes = mutate(sample.bytes, random, sample.isText);
    const { verdict, why, size } = await judge(sample, bytes, kernels);
    if (verdict === 'wrong') wrong.push(`${i} ${why}`);
    if (verdict === 'refused') refused++;
    expect(size).toBeLessThanOrEqual(MOST_A_BYTE * bytes.length);
  }
  expect(wrong).toEqual([]);
  expect(refused).toBeGreaterThan(CASES / 20);
});
