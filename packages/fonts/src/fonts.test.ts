import { createHash } from 'node:crypto';
import { readdir } from 'node:fs/promises';
import { fontPath, readFont, readLicence, SHIPPED_FONTS } from './index.ts';

const styles = SHIPPED_FONTS.flatMap((family) => family.styles.map((style) => ({ family: family.family, ...style })));

test.each(styles.map((style) => [`${style.family} ${style.name}`, style] as const))(
  '%s: the file is the one the catalogue names, unpacked',
  async (_, { hash, file }) => {
    const bytes = (await readFont(hash)) as Uint8Array;
    expect(createHash('sha256').update(bytes).digest('hex')).toBe(hash);
    expect(fontPath(hash)?.endsWith(file)).toBe(true);
    expect(['00010000', '4f54544f']).toContain(Buffer.from(bytes.subarray(0, 4)).toString('hex'));
  },
);

test('about 40 families of every kind, each with its licence; no file without a place in the catalogue', async () => {
  expect(SHIPPED_FONTS.length).toBeGreaterThanOrEqual(40);
  expect(new Set(SHIPPED_FONTS.map((f) => f.kind)).size).toBe(11);
  for (const { licence } of SHIPPED_FONTS) expect(await readLicence(licence)).toMatch(/SIL OPEN FONT LICENSE/i);
  const files = await readdir(new URL('../files/', import.meta.url));
  const known = [...styles.map((s) => s.file), ...SHIPPED_FONTS.map((f) => f.licence)];
  expect(files.sort()).toEqual([...new Set(known)].sort());
});

test('what the catalogue does not name is not read', async () => {
  expect(fontPath('../catalogue.ts')).toBeUndefined();
  expect(await readFont('0'.repeat(64))).toBeUndefined();
});
