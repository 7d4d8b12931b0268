import { WebIO } from '@gltf-transform/core';
import { EXTMeshoptCompression } from '@gltf-transform/extensions';
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
  (await writeScene([part('Kiln', [0, 0, 0]), part('Row', [10, 0, 0])], {
    ...usualWriteOptions(format, 'Both'),
    materials: true,
  })).bytes; // prettier-ignore

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

test('a GLB packed by meshopt is unpacked where that can be done; what can not be is told', async () => {
  const { bytes } = await writeMesh(cubes(3, [0, 0, 0]), { ...usualWriteOptions('glb', 'Kiln') }, [{ text: 'K', finish: null }]);
  await MeshoptEncoder.ready;
  const io = new WebIO().registerExtensions([EXTMeshoptCompression]).registerDependencies({ 'meshopt.encoder': MeshoptEncoder });
  const document = await io.readBinary(bytes);
  document.createExtension(EXTMeshoptCompression).setRequired(true).setEncoderOptions({ method: EXTMeshoptCompression.EncoderMethod.QUANTIZE });
  const packed = await io.writeBinary(document);
  const { loadUnpacker } = await loadKernels();
  const read = unwrap(await readBack(packed, 'glb', loadUnpacker));
  expect(checkMesh(read.mesh)).toMatchObject({ closed: true, manifold: true, outward: true });
  const why = async (data: Uint8Array): Promise<unknown> => {
    const back = await readBack(data, 'glb');
    return back.ok ? 'read' : back.error.params;
  };
  expect(await why(packed)).toMatchObject({ why: 'packed' });
  const json = new TextEncoder().encode('{"asset":{"version":"2.0"},"extensionsRequired":["KHR_draco_mesh_compression"]}  ');
  const draco = new Uint8Array(20 + json.length);
  new Uint32Array(draco.buffer, 0, 5).set([0x46546c67, 2, draco.length, json.length, 0x4e4f534a]);
  draco.set(json, 20);
  expect(await why(draco)).toMatchObject({ why: 'packed' });
}); // prettier-ignore
