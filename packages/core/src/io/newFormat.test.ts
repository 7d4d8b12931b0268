import { withNewFormat } from '../testing/newFormat.ts';

await withNewFormat();
const { MODEL } = await import('../document/index.ts');
const { formMesh } = await import('../form/index.ts');
const { MESH_FORMATS, READ_FORMATS, readBack, usualWriteOptions, writeMesh } = await import('./index.ts');

type Kind = (typeof MESH_FORMATS)[number];
const KIND = 'dots' as Kind;
const block = formMesh(
  { kind: 'block', widthMm: 10, heightMm: 20, depthMm: 30, edge: 'plain', edgeMm: 0, taperPercent: 0 },
  0.1,
);

test('a format that only writes is among those that are written, and not among those that are read', async () => {
  expect(MESH_FORMATS).toEqual(['obj', 'stl', 'ply', 'glb', 'dots']);
  expect(READ_FORMATS).toEqual(['obj', 'stl', 'ply', 'glb']);
  expect(await readBack(new Uint8Array(4), KIND)).toMatchObject({ ok: false, error: { code: 'MESH_BROKEN' } });
});

test('what is written stands in its axes and in the unit that was chosen', async () => {
  const { bytes, counts } = await writeMesh(block, { ...usualWriteOptions(KIND, 'Block'), unit: 'cm' });
  const rows = new TextDecoder()
    .decode(bytes)
    .split('\n')
    .map((row) => row.split(' ').map(Number));
  expect(counts).toMatchObject({ vertices: 8, faces: 6, quads: 6 });
  expect([0, 1, 2].map((k) => Math.max(...rows.map((row) => row[k])) - Math.min(...rows.map((row) => row[k])))).toEqual(
    [1, 3, 2],
  );
});

test('models can be of every format that is read', () =>
  expect([...(MODEL.format.of ?? [])].sort()).toEqual([...READ_FORMATS].sort()));
