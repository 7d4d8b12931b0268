import { WebIO, type Node } from '@gltf-transform/core';
import { unwrap } from '../base/index.ts';
import { checkMesh } from '../check/index.ts';
import { findFinish, usualSlots } from '../document/index.ts';
import { STILL, transformPoints, turnOf } from '../math/index.ts';
import { faceCount } from '../mesh/index.ts';
import { cubes } from '../testing/meshes.ts';
import {
  lookOf,
  readObj,
  readPly,
  readStl,
  usualWriteOptions,
  writeScene,
  type MeshFormat,
  type SceneGroup,
  type ScenePart,
} from './index.ts';

const part = (name: string, values: Partial<ScenePart> = {}): ScenePart => ({
  name,
  mesh: cubes(2, [0, 0, 0]),
  transform: STILL,
  slots: usualSlots(),
  letters: [],
  ...values,
});
const moved = part('Row two', { transform: { rows: turnOf([0, 0, 90]), move: [10, 0, 0] } });
const BLUE = { ...findFinish('terracotta'), colour: '#2040a0' };
const text = (bytes: Uint8Array | undefined): string => new TextDecoder().decode(bytes);
const write = (format: MeshFormat, choices = {}, parts = [part('Kiln'), moved]) =>
  writeScene(parts, { ...usualWriteOptions(format, 'Kiln row'), ...choices });

test.each([
  ['obj', readObj],
  ['stl', readStl],
  ['ply', readPly],
] as const)('%s: both pieces where they stand, sound', async (format, read) => {
  const mesh = unwrap(read((await write(format, { up: 'y' })).bytes));
  const report = checkMesh(mesh);
  expect(report).toMatchObject({ shells: 2, closed: true, manifold: true, outward: true, crossingFaces: 0 });
  const across = Array.from(mesh.positions).filter((_, i) => i % 3 === 0);
  expect([Math.min(...across), Math.max(...across)]).toEqual([0, 10]);
});

test('an OBJ names its pieces when there are several', async () => {
  expect(text((await write('obj')).bytes).match(/^o .*$/gm)).toEqual(['o Kiln', 'o Row_two']);
  expect(text((await write('obj', {}, [part('Kiln')])).bytes)).not.toMatch(/^o /m);
});

test('pieces of one name are told apart in the file', async () => {
  const three = [part('Row'), part('Row'), part('Row 2')];
  expect(text((await write('obj', {}, three)).bytes).match(/^o .*$/gm)).toEqual(['o Row', 'o Row_2', 'o Row_2_2']);
});

test('finishes go beside an OBJ on request, each once; different ones never share a name', async () => {
  const own = { ...findFinish('terracotta'), gloss: 90 };
  const parts = [part('a'), part('b'), part('c', { slots: { ...usualSlots(), wall: own } })];
  const { bytes, mtl } = await write('obj', { materials: true }, parts);
  expect(text(bytes)).toContain('mtllib Kiln_row.mtl');
  expect(text(bytes).match(/^usemtl .*$/gm)).toEqual(['usemtl terracotta', 'usemtl terracotta', 'usemtl terracotta_2']);
  expect(text(mtl).match(/^newmtl .*$/gm)).toEqual(['newmtl terracotta', 'newmtl terracotta_2']);
  expect((await write('obj')).mtl).toBeUndefined();
});

test('a GLB has a node a piece, with its place, and a material a finish', async () => {
  const { bytes } = await write('glb');
  const json = JSON.parse(
    text(bytes.subarray(20, 20 + new DataView(bytes.buffer, bytes.byteOffset).getUint32(12, true))),
  );
  const named = (name: string) => json.nodes.find((n: { name: string }) => n.name === name);
  expect(named('Kiln row').children).toHaveLength(2);
  expect(named('Row two').translation).toEqual([10, 0, 0]);
  expect(named('Row two').rotation[2]).toBeCloseTo(Math.SQRT1_2, 6);
  expect(json.materials.map((m: { name: string }) => m.name)).toEqual(['terracotta']);
});

test('parts of one mesh share it in a GLB as long as they look alike, letters too', async () => {
  const one = part('Kiln');
  const parts = [
    one,
    { ...moved, mesh: one.mesh },
    part('own', { mesh: one.mesh, slots: { ...usualSlots(), wall: BLUE } }),
  ];
  for (const nodes of ['one', 'letters'] as const) {
    const root = (await new WebIO().readBinary((await write('glb', { nodes }, parts)).bytes)).getRoot();
    const owners = root.listMeshes().map((mesh) => root.listNodes().filter((node) => node.getMesh() === mesh).length);
    expect(owners).toEqual([2, 1]);
  }
  const many = Array.from({ length: 1000 }, (_, i) => ({ ...moved, name: `Kiln ${i}`, mesh: one.mesh }));
  const [alone, all] = [await write('glb', {}, [one]), await write('glb', {}, many)];
  expect((all.bytes.length - alone.bytes.length) / many.length).toBeLessThan(400);
});

test('looks: gloss is smoothness, metal and glow as they are said', () => {
  expect(lookOf(findFinish('gold lustre'))).toMatchObject({ metallic: 0.95, emissive: [0, 0, 0] });
  const ember = lookOf(findFinish('ember'));
  expect(ember.emissive[0]).toBeCloseTo(0.8 * ember.colour[0], 12);
  const chalk = lookOf(findFinish('chalk'));
  expect(chalk.roughness).toBeGreaterThan(lookOf(findFinish('honey')).roughness);
});

describe('PLY', () => {
  const good = async (): Promise<Uint8Array> => (await write('ply')).bytes;
  const why = (bytes: Uint8Array): string => {
    const read = readPly(bytes);
    return read.ok ? `${faceCount(read.value)} faces` : (read.error.params as { why: string }).why;
  };

  test('reads back its polygons', async () => expect(why(await good())).toBe('12 faces'));

  test('broken ones are told apart', async () => {
    const bytes = await good();
    expect(why(bytes.slice(0, -1))).toBe('short');
    expect(why(bytes.slice(0, 20))).toBe('short');
    expect(why(new TextEncoder().encode('ply\nformat ascii 1.0\nend_header\n'))).toBe('no faces');
    expect(why(new TextEncoder().encode('ply\nformat binary_middle_endian 1.0\nend_header\n'))).toBe('version');
    const wild = bytes.slice();
    new DataView(wild.buffer).setInt32(wild.length - 4, 99, true);
    expect(why(wild)).toBe('face');
    expect(why(new TextEncoder().encode('hello'))).toBe('start');
    expect(why(new TextEncoder().encode('hello\n'))).toBe('start');
  });
});

describe('groups in a GLB', () => {
  const group = (id: string, values: Partial<SceneGroup>): SceneGroup => ({
    ...{ id, name: id, transform: STILL, pivotMm: [0, 0, 0] },
    ...values,
  });
  const half = turnOf([0, 30, 0]).map((v) => v / 2);
  const sign = group('Sign', { transform: { rows: half, move: [3, 4, 5] }, pivotMm: [1, 2, 0] });
  const inner = group('Foot', { transform: { rows: turnOf([10, 20, 30]), move: [-3, 0, 1] }, pivotMm: [0, 9, 0] });
  const at = { rows: turnOf([0, 0, 45]), move: [7, 8, 9] as const };

  test('stand about their pivots, and pieces where they stood without them', async () => {
    const parts = [part('Kiln', { groups: [sign] }), part('Row', { groups: [sign, inner], transform: at }), moved];
    const { bytes } = await write('glb', {}, parts);
    const root = (await new WebIO().readBinary(bytes)).getRoot();
    const node = (name: string): Node => root.listNodes().find((one) => one.getName() === name) as Node;
    const under = (name: string): string[] =>
      node(name)
        .listChildren()
        .map((child) => child.getName());
    expect(under('Kiln row')).toEqual(['Sign', 'Row two']);
    expect(under('Sign')).toEqual(['Kiln', 'Foot']);
    expect(under('Foot')).toEqual(['Row']);
    const near = (is: readonly number[], was: readonly number[]): void =>
      is.forEach((v, i) => expect(v).toBeCloseTo(was[i], 9));
    // columns, in metres
    const placeOf = (name: string): number[] =>
      node(name)
        .getWorldMatrix()
        .slice(12, 15)
        .map((v) => 1000 * v);
    near(placeOf('Kiln'), [0, 0, 0]);
    near(placeOf('Row'), at.move);
    near(
      node('Row')
        .getWorldMatrix()
        .slice(0, 3)
        .map((v) => 1000 * v),
      [at.rows[0], at.rows[3], at.rows[6]],
    );
    near(placeOf('Sign'), transformPoints(sign.transform, Float64Array.from(sign.pivotMm)) as unknown as number[]);
    near(placeOf('Foot'), transformPoints(inner.transform, Float64Array.from(inner.pivotMm)) as unknown as number[]);
  });

  test('a piece alone stands in no group', async () => {
    const { bytes } = await write('glb', {}, [part('Kiln', { groups: [sign] })]);
    expect((await new WebIO().readBinary(bytes)).getRoot().listNodes()).toHaveLength(1);
  });
});
