import { seededRandom } from '@fictile/core';
import { joinDocument, splitDocument } from './documentParts.ts';

const random = seededRandom(5);
const letters = (count: number) => Array.from({ length: count }, (_, id) => ({ id: id + 1, text: String(random()) }));
const join = (text: string, parts: ReadonlyMap<string, Buffer>) =>
  joinDocument(
    text,
    async (hashes) => new Map(hashes.flatMap((hash) => (parts.has(hash) ? [[hash, parts.get(hash)!]] : []))),
  );

test.each<[string, object]>([
  ['a small one', { name: 'Kiln', pieces: {} }],
  ['a long text', { path: 'M0 0 '.repeat(5000) }],
  ['a long list', { letters: letters(3000) }],
  ['lists in lists', { rows: Array.from({ length: 200 }, () => letters(70)) }],
  ['nothing at all', {}],
])('%s comes back as it was', async (_, document) => {
  const { text, parts } = await splitDocument(document);
  expect(text.length).toBeLessThan(9000);
  expect(await join(text, parts)).toEqual(document);
});

test('of a long document that changed in one place little is new', async () => {
  const list = letters(20_000);
  const before = await splitDocument({ name: 'a', letters: list });
  const after = await splitDocument({ name: 'b', letters: list.toSpliced(7000, 1, { id: 99_999, text: 'x' }) });
  const bytes = (parts: Iterable<readonly [string, Buffer]>): number =>
    [...parts].reduce((sum, [, b]) => sum + b.length, 0);
  const fresh = [...after.parts].filter(([hash]) => !before.parts.has(hash));
  expect(bytes(fresh)).toBeLessThan(bytes(before.parts) / 20);
});

test('a part that is missing, changed or no part is told', async () => {
  const { text, parts } = await splitDocument({ letters: letters(3000) });
  const [[first, bytes]] = parts;
  await expect(join(text, new Map([...parts].slice(1)))).rejects.toThrow('missing');
  const other = new Map([...parts].slice(1, 2).map(([, b]) => [first, b]));
  await expect(join(text, new Map([...parts, ...other]))).rejects.toThrow('changed');
  await expect(join(text, new Map([...parts, [first, bytes.subarray(4)]]))).rejects.toThrow();
});
