import { loadKernels } from '@fictile/kernels';
import { WebIO } from '@gltf-transform/core';
import { unwrap } from '../base/index.ts';
import { checkMesh } from '../check/index.ts';
import { usualSlots } from '../document/index.ts';
import { STILL } from '../math/index.ts';
import { outlineOfRings, rectangle } from '../testing/rings.ts';
import { formed, mm, PLAIN } from '../testing/solids.ts';
import type { LevelsAs } from './fileFields.ts';
import { inLevel, levelNamed } from './levels.ts';
import { inMm, readBack } from './readBack.ts';
import { readModel, usualFrame } from './readModel.ts';
import type { ScenePart } from './scenePart.ts';
import { usualWriteOptions, writeScene } from './writeMesh.ts';

const { loadSimplifier } = await loadKernels();

function part(name: string, x: number): ScenePart {
  const hole = rectangle(mm(6), mm(3), mm(4), mm(4)).reverse();
  const front = { kind: 'round', inMm: 1, deepMm: 1, steps: 6 } as const;
  const mesh = formed(
    outlineOfRings(rectangle(0, 0, mm(20), mm(10)), hole),
    { depthMm: 4, front, back: PLAIN },
    mm(20),
  );
  return { name, mesh, transform: { ...STILL, move: [x, 0, 0] }, slots: usualSlots(), letters: [] };
}

const written = (format: 'obj' | 'glb', levelsAs: LevelsAs) =>
  writeScene(
    [part('Kiln', 0), part('Row', 40)],
    { ...usualWriteOptions(format, 'Lane'), levels: 3, levelsAs },
    { loadSimplifier },
  );

const reportOf = async (bytes: Uint8Array, format: 'obj' | 'glb', level?: number) => {
  const { mesh, levels } = unwrap(await readBack(bytes, format, undefined, { level }));
  const { closed, crossingFaces, triangles, quads, sizeMm } = checkMesh(inMm(mesh, format));
  return { levels, closed, crossingFaces, size: sizeMm.map(Math.round), triangles: triangles + 2 * quads };
};
const SOUND = { closed: true, crossingFaces: 0, size: [60, 10, 4] };

test.each(['obj', 'glb'] as const)('%s: files of their own, each whole and with fewer triangles', async (format) => {
  const { bytes, coarser } = await written(format, 'files');
  expect(coarser.map(({ suffix }) => suffix)).toEqual(['_LOD1', '_LOD2']);
  const reports = await Promise.all(
    [bytes, ...coarser.map((file) => file.bytes)].map((file) => reportOf(file, format)),
  );
  for (const report of reports) expect(report).toMatchObject({ ...SOUND, levels: 1 });
  expect(reports[1].triangles).toBeLessThan(reports[0].triangles);
  expect(reports[2].triangles).toBeLessThan(reports[1].triangles);
});

test.each([
  ['obj', 'objects'],
  ['glb', 'objects'],
  ['glb', 'linked'],
] as const)(
  '%s, %s: one file, each level is judged alone, and the finest comes in as a model',
  async (format, levelsAs) => {
    const { bytes, coarser } = await written(format, levelsAs);
    expect(coarser).toEqual([]);
    const reports = [
      await reportOf(bytes, format, 0),
      await reportOf(bytes, format, 1),
      await reportOf(bytes, format, 2),
    ];
    for (const report of reports) expect(report).toMatchObject({ ...SOUND, levels: 3 });
    expect(reports[1].triangles).toBeLessThan(reports[0].triangles);
    expect(reports[2].triangles).toBeLessThan(reports[1].triangles);
    const model = unwrap(await readModel(bytes, usualFrame(format)));
    expect([model.openEdges, model.badEdges, model.levels]).toEqual([0, 0, 3]);
  },
);

test('linked, only the finest are in the scene, and name those that stand for them', async () => {
  const { bytes } = await written('glb', 'linked');
  const { json } = await new WebIO().binaryToJSON(bytes);
  const nameOf = (i: number): string | undefined => json.nodes?.[i].name;
  expect(json.scenes?.[0].nodes?.map(nameOf)).toEqual(['Kiln_LOD0', 'Row_LOD0']);
  const links = (json.nodes ?? []).flatMap(({ name, extensions }) => {
    const { ids = [] } = (extensions?.MSFT_lod ?? {}) as { ids?: number[] };
    return ids.length > 0 ? [[name, ...ids.map(nameOf)]] : [];
  });
  expect(links).toEqual([
    ['Kiln_LOD0', 'Kiln_LOD1', 'Kiln_LOD2'],
    ['Row_LOD0', 'Row_LOD1', 'Row_LOD2'],
  ]);
  expect(json.extensionsUsed).toEqual(['MSFT_lod']);
});

test('what is no level stands in each; a body that lacks one stands in its coarsest', () => {
  const named = ['Table', 'Jug_LOD0', 'Jug_LOD1', 'Jug_LOD2', 'Lid_lod1', 'Lid_LOD3'].map((name) => ({
    name,
    level: levelNamed(name),
  }));
  const at = (level: number) => inLevel(named, level).parts.map(({ name }) => name);
  expect(inLevel(named, 0).levels).toBe(3);
  expect([at(0), at(1), at(2)]).toEqual([
    ['Table', 'Jug_LOD0', 'Lid_lod1'],
    ['Table', 'Jug_LOD1', 'Lid_LOD3'],
    ['Table', 'Jug_LOD2', 'Lid_LOD3'],
  ]);
});
