import { WebIO } from '@gltf-transform/core';
import { EXTMeshoptCompression, KHRDracoMeshCompression } from '@gltf-transform/extensions';
import draco from 'draco3dgltf';
import { MeshoptEncoder } from 'meshoptimizer/encoder';
import { loadKernels } from '@fictile/kernels';
import { unwrap } from '../base/index.ts';
import { checkMesh } from '../check/index.ts';
import { usualSlots } from '../document/index.ts';
import { STILL, turnOf } from '../math/index.ts';
import { cubes } from '../testing/meshes.ts';
import {
  MESH_FORMATS,
  readBack,
  readGlb,
  usualWriteOptions,
  writeMesh,
  writeScene,
  type MeshFormat,
  type ScenePart,
} from './index.ts';

const part = (name: string, move: [number, number, number]): ScenePart => ({
  name,
  mesh: cubes(2, [0, 0, 0]),
  transform: { rows: turnOf([0, 90, 0]), move },
  slots: usualSlots(),
  letters: [{ text: 'K', finish: null }],
});
const write = async (format: MeshFormat): Promise<Uint8Array> =>
  (
    await writeScene([part('Kiln', [0, 0, 0]), part('Row', [10, 0, 0])], {
      ...usualWriteOptions(format, 'Both'),
      materials: true,
    })
  ).bytes;

test.each(MESH_FORMATS)('%s holds what was written, by readers that know nothing of the writing', async (format) => {
  const { mesh, names, finishes } = unwrap(await readBack(await write(format), format));
  const report = checkMesh(mesh);
  expect(report).toMatchObject({ shells: 2, closed: true, manifold: true, outward: true });
  const scale = format === 'glb' ? 1000 : 1;
  expect(report.sizeMm.map((v) => Number((v * scale).toFixed(4))).sort((a, b) => a - b)).toEqual([2, 2, 12]);
  const isNamed = format === 'glb' || format === 'obj';
  expect([names, finishes]).toEqual(isNamed ? [['Kiln', 'Row'], ['terracotta']] : [[], []]);
});

test('a GLB broken at any place is refused, never half read', async () => {
  const good = await write('glb');
  for (const length of [0, 3, 12, 19, 20, 60, good.length - 1]) {
    const read = await readGlb(good.slice(0, length));
    expect(read.ok ? length : read.error.code).toBe('MESH_BROKEN');
  }
  const points = good.slice();
  const json = new TextDecoder().decode(points.subarray(20, 20 + new DataView(points.buffer).getUint32(12, true)));
  points.set(new TextEncoder().encode(json.replace(/"mode":4/g, '"mode":0')), 20);
  expect((await readGlb(points)).ok).toBe(false);
});

test('a piece alone is found at its own size', async () => {
  const alone = { ...part('Kiln', [0, 0, 0]), transform: STILL };
  const { bytes } = await writeScene([alone], usualWriteOptions('glb', 'Kiln'));
  const { nodes, mesh } = unwrap(await readGlb(bytes));
  expect(nodes).toEqual(['Kiln']);
  expect(Math.max(...mesh.positions)).toBeCloseTo(0.002, 9);
});

test.each(['meshopt', 'draco'] as const)(
  'a GLB packed by %s is unpacked where that can be done, told where it can not',
  async (packing) => {
    const { bytes } = await writeMesh(cubes(3, [0, 0, 0]), { ...usualWriteOptions('glb', 'Kiln') }, [
      { text: 'K', finish: null },
    ]);
    await MeshoptEncoder.ready;
    const encoders = { 'meshopt.encoder': MeshoptEncoder, 'draco3d.encoder': await draco.createEncoderModule() };
    const io = new WebIO()
      .registerExtensions([EXTMeshoptCompression, KHRDracoMeshCompression])
      .registerDependencies(encoders);
    const document = await io.readBinary(bytes);
    if (packing === 'draco') document.createExtension(KHRDracoMeshCompression).setRequired(true);
    else
      document
        .createExtension(EXTMeshoptCompression)
        .setRequired(true)
        .setEncoderOptions({ method: EXTMeshoptCompression.EncoderMethod.QUANTIZE });
    const packed = await io.writeBinary(document);
    expect(packed.length).not.toBe(bytes.length);
    const { loadUnpacker } = await loadKernels();
    const read = unwrap(await readBack(packed, 'glb', loadUnpacker));
    expect(checkMesh(read.mesh)).toMatchObject({ closed: true, manifold: true, outward: true });
    const told = await readBack(packed, 'glb');
    expect(told.ok ? 'read' : told.error.params).toMatchObject({ why: 'packed' });
    const cut = packed.slice();
    cut.fill(0, cut.length - Math.floor(cut.length / 8));
    const damaged = await readBack(cut, 'glb', loadUnpacker);
    expect(damaged.ok ? 'read' : damaged.error.code).toBe('MESH_BROKEN');
  },
);
