import { loadKernels } from '@fictile/kernels';
import { Document, WebIO, type Material } from '@gltf-transform/core';
import { KHRTextureTransform } from '@gltf-transform/extensions';
import { unwrap } from '../base/index.ts';
import { usualSlots } from '../document/index.ts';
import { STILL } from '../math/index.ts';
import { asTriangles, faceAreaVectors, faceCount, type PolygonMesh } from '../mesh/index.ts';
import { outlineOfRings, rectangle } from '../testing/rings.ts';
import { formed, mm, PLAIN } from '../testing/solids.ts';
import { withFileUv } from './fileUv.ts';
import { readModel, usualFrame, type ReadModel } from './readModel.ts';
import { cornerTangents } from './tangents.ts';
import type { ScenePart } from './scenePart.ts';
import { usualWriteOptions, writeScene, type WriteOptions } from './writeMesh.ts';

/** 20 mm wide, 10 high, 4 deep, with a square hole. */
const frame = (): PolygonMesh => {
  const hole = rectangle(mm(6), mm(3), mm(4), mm(4)).reverse();
  const front = { kind: 'chamfer', inMm: 1, deepMm: 1, steps: 1 } as const;
  return formed(outlineOfRings(rectangle(0, 0, mm(20), mm(10)), hole), { depthMm: 4, front, back: PLAIN }, mm(20));
};
const part = (mesh = frame()): ScenePart => ({
  name: 'Kiln',
  mesh,
  transform: STILL,
  slots: usualSlots(),
  letters: [],
});
const written = async (choices: Partial<WriteOptions>, format: 'obj' | 'glb' = 'obj') =>
  writeScene([part()], { ...usualWriteOptions(format, 'Kiln'), ...choices }, await loadKernels());
const text = (bytes: Uint8Array): string => new TextDecoder().decode(bytes);
const numbers = (bytes: Uint8Array, key: string): number[][] =>
  text(bytes)
    .split('\n')
    .filter((line) => line.startsWith(`${key} `))
    .map((line) => line.split(' ').slice(1).map(Number));

/** Corners of triangles in the picture. */
function pictured(mesh: PolygonMesh): [number, number][][] {
  const { uv = new Float32Array(), faceStart } = asTriangles(mesh);
  return Array.from({ length: faceStart.length - 1 }, (_, f) =>
    [0, 1, 2].map((k) => [uv[6 * f + 2 * k], uv[6 * f + 2 * k + 1]]),
  );
}

test('none unless asked for; then as many as there are corners, in shares of the picture', async () => {
  expect(text((await written({})).bytes)).not.toMatch(/^vt /m);
  const { bytes } = await written({ uv: 'words', uvTileMm: 10 });
  const fronts = numbers(bytes, 'vt').filter(([u, v]) => u === 1.9 && v === 0.9);
  expect(fronts).toHaveLength(1);
  expect(text(bytes)).toMatch(/^f \d+\/\d+\/\d+ /m);
});

test('letter by letter, fronts stand upright about their own origins', () => {
  const mesh = frame();
  const origin = { x: 20, y: 0, turn: Math.PI / 2 };
  const { uv = new Float32Array() } = withFileUv(mesh, [{ text: 'K', finish: null, origin }], {
    space: 'letters',
    tileMm: 1,
  });
  const fronts = Array.from({ length: faceCount(mesh) }, (_, f) => f).filter(
    (f) => mesh.regions[mesh.region[f]].part === 'front',
  );
  const spots = fronts.flatMap((f) =>
    Array.from(mesh.faceVertices.subarray(mesh.faceStart[f], mesh.faceStart[f + 1]), (v, k) => [
      v,
      mesh.faceStart[f] + k,
    ]),
  );
  expect(spots.length).toBeGreaterThan(8);
  for (const [v, c] of spots) {
    expect(uv[2 * c]).toBeCloseTo(mesh.positions[3 * v + 1], 5);
    expect(uv[2 * c + 1]).toBeCloseTo(20 - mesh.positions[3 * v], 5);
  }
});

test('packed into one square: nothing over anything else, all in one scale', () => {
  const mesh = frame();
  const packed = withFileUv(mesh, [], { space: 'packed', tileMm: 1 });
  const values = Array.from(packed.uv ?? []);
  expect(Math.min(...values)).toBeGreaterThanOrEqual(0);
  expect(Math.max(...values)).toBeLessThanOrEqual(1);
  const areas = faceAreaVectors(asTriangles(mesh));
  const triangles = pictured(packed);
  const scales = triangles.map(
    ([a, b, c], f) =>
      ((b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1])) /
      2 /
      Math.hypot(...areas.subarray(3 * f, 3 * f + 3)),
  );
  for (const scale of scales) expect(scale / scales[0]).toBeCloseTo(1, 3);
  const inside = ([x, y]: number[], [a, b, c]: number[][]): boolean =>
    [
      [a, b],
      [b, c],
      [c, a],
    ].every(([p, q]) => (q[0] - p[0]) * (y - p[1]) - (q[1] - p[1]) * (x - p[0]) > 1e-9);
  for (let i = 0; i < 10_000; i++) {
    const spot = [(i % 100) / 100, Math.floor(i / 100) / 100];
    expect(triangles.filter((t) => inside(spot, t)).length).toBeLessThanOrEqual(1);
  }
});

test('a GLB counts from the top, and its tangents run to the right along the surface', async () => {
  const { bytes } = await written({ uv: 'words', uvTileMm: 10, tangents: true }, 'glb');
  const [mesh] = (await new WebIO().readBinary(bytes)).getRoot().listMeshes();
  for (const primitive of mesh.listPrimitives()) {
    const [tangent, normal, uv, place] = ['TANGENT', 'NORMAL', 'TEXCOORD_0', 'POSITION'].map((name) =>
      primitive.getAttribute(name),
    );
    for (let row = 0; row < (place?.getCount() ?? 0); row++) {
      const [t, n, spot, at] = [tangent, normal, uv, place].map((values) => values?.getElement(row, []) ?? []);
      expect(Math.hypot(t[0], t[1], t[2])).toBeCloseTo(1, 5);
      expect(t[0] * n[0] + t[1] * n[1] + t[2] * n[2]).toBeCloseTo(0, 5);
      expect(t[3]).toBe(1);
      if (n[2] < 1) continue;
      expect([t[0], spot[0], spot[1]].map((v) => Math.round(v * 1e4))).toEqual([
        1e4,
        Math.round(at[0] * 1e3),
        Math.round(1e4 - at[1] * 1e3),
      ]);
    }
  }
});

test('a mirrored texture is told; a triangle without any gets some direction', async () => {
  const make = await (await loadKernels()).loadTangents();
  const first = (...uvs: number[]): number[] => {
    const positions = Float32Array.of(0, 0, 0, 1, 0, 0, 0, 1, 0);
    const normals = Float32Array.of(0, 0, 1, 0, 0, 1, 0, 0, 1);
    return Array.from(cornerTangents({ positions, normals, uvs: Float32Array.from(uvs) }, make).subarray(0, 4));
  };
  expect(first(0, 0, 1, 0, 0, 1)).toEqual([1, 0, 0, 1]);
  expect(first(0, 0, -1, 0, 0, 1)).toEqual([-1, 0, 0, -1]);
  const [x, y, z] = first(0, 0, 0, 0, 0, 0);
  expect([Math.hypot(x, y, z), z]).toEqual([1, 0]);
});

describe('a model that comes with materials and pictures', () => {
  const PICTURE = Uint8Array.of(137, 80, 78, 71, 13, 10, 26, 10, 1, 2, 3);

  /** A box of 40 mm with two materials, the first with a picture; each side has the whole of it. */
  async function pictured(change: (document: Document, glazed: Material) => void = () => {}): Promise<Uint8Array> {
    const document = new Document();
    const buffer = document.createBuffer();
    const texture = document.createTexture('glaze').setImage(PICTURE).setMimeType('image/png');
    const glazed = document.createMaterial('glazed').setBaseColorTexture(texture).setRoughnessFactor(0.3);
    const bare = document.createMaterial('bare').setBaseColorFactor([0.5, 0.2, 0.1, 1]);
    const made = document.createMesh('box');
    const side = (material: Material, places: number[], corners: number[]): void => {
      const uv = places.flatMap((_, i) =>
        i % 3 === 0
          ? [
              [0, 1],
              [1, 1],
              [1, 0],
              [0, 0],
            ][i / 3]
          : [],
      );
      made.addPrimitive(
        document
          .createPrimitive()
          .setMaterial(material)
          .setIndices(document.createAccessor().setType('SCALAR').setArray(new Uint16Array(corners)).setBuffer(buffer))
          .setAttribute(
            'POSITION',
            document.createAccessor().setType('VEC3').setArray(new Float32Array(places)).setBuffer(buffer),
          )
          .setAttribute(
            'TEXCOORD_0',
            document.createAccessor().setType('VEC2').setArray(new Float32Array(uv)).setBuffer(buffer),
          ),
      );
    };
    const p = (i: number): number[] => [0, 1, 2].map((k) => ((i >> k) & 1 ? 0.02 : -0.02));
    const sides = [
      [4, 5, 7, 6],
      [1, 0, 2, 3],
      [5, 1, 3, 7],
      [0, 4, 6, 2],
      [6, 7, 3, 2],
      [0, 1, 5, 4],
    ];
    sides.forEach((four, i) => side(i === 0 ? glazed : bare, four.flatMap(p), [0, 1, 2, 0, 2, 3]));
    document.createScene().addChild(document.createNode('box').setMesh(made));
    change(document, glazed);
    return new WebIO().registerExtensions([KHRTextureTransform]).writeBinary(document);
  }

  const read = async (bytes: Uint8Array, paint: 'own' | 'finish' = 'own') =>
    unwrap(await readModel(bytes, { ...usualFrame('glb'), paint }));
  const scene = async ({ mesh, paints }: ReadModel) =>
    (await writeScene([{ ...part(mesh), paints }], usualWriteOptions('glb', 'Box'))).bytes;
  const materialsOf = async (bytes: Uint8Array) => (await new WebIO().readBinary(bytes)).getRoot().listMaterials();

  test('keeps them into a file and back, corner for corner; or takes finishes', async () => {
    const model = await read(await pictured());
    expect(model.paints?.list.map(({ name }) => name)).toEqual(['glazed', 'bare']);
    expect(model.mesh.regions.map(({ paint }) => paint)).toEqual([0, 1]);
    const bytes = await scene(model);
    const [glazed, bare] = await materialsOf(bytes);
    expect([glazed.getName(), glazed.getRoughnessFactor()]).toEqual(['glazed', expect.closeTo(0.3, 6)]);
    expect(glazed.getBaseColorTexture()?.getImage()).toEqual(PICTURE);
    expect(bare.getBaseColorFactor()[1]).toBeCloseTo(0.2, 6);
    const back = await read(bytes);
    expect(back.mesh.uv).toEqual(model.mesh.uv);
    expect(back.mesh.positions.length).toBe(model.mesh.positions.length);
    const plain = await read(await pictured(), 'finish');
    expect([plain.paints, plain.mesh.uv, plain.mesh.regions.length]).toEqual([undefined, undefined, 1]);
    expect((await materialsOf(await scene(plain))).map((m) => m.getBaseColorTexture())).toEqual([null]);
  });

  test('its coordinates are read from the pair that is named, moved as it is said', async () => {
    const bytes = await pictured((document, glazed) => {
      const moved = document
        .createExtension(KHRTextureTransform)
        .createTransform()
        .setOffset([0.25, 0.5])
        .setScale([2, 4])
        .setRotation(Math.PI / 2)
        .setTexCoord(1);
      glazed.getBaseColorTextureInfo()?.setExtension('KHR_texture_transform', moved);
      // the second pair runs the other way round
      for (const side of document.getRoot().listMeshes()[0].listPrimitives()) {
        const first = side.getAttribute('TEXCOORD_0')?.getArray() as Float32Array;
        const second = document
          .createAccessor()
          .setType('VEC2')
          .setArray(first.map((u) => 1 - u))
          .setBuffer(document.getRoot().listBuffers()[0]);
        side.setAttribute('TEXCOORD_1', second);
      }
    });
    const [usual, { mesh, paints }] = [await read(await pictured()), await read(bytes)];
    const glazed = (c: number): boolean => mesh.regions[mesh.region[Math.floor(c / 3)]].paint === 0;
    for (let c = 0; c < mesh.faceVertices.length; c++) {
      const [u, v] = [usual.mesh.uv?.[2 * c] ?? 0, 1 - (usual.mesh.uv?.[2 * c + 1] ?? 0)];
      // a quarter turn against the clock takes (u, v) to (v, -u) where v counts from the top
      const [x, y] = glazed(c) ? [4 * (1 - v) + 0.25, -2 * (1 - u) + 0.5] : [u, v];
      expect(mesh.uv?.[2 * c]).toBeCloseTo(x, 6);
      expect(mesh.uv?.[2 * c + 1]).toBeCloseTo(1 - y, 6);
    }
    expect(paints?.leftOut).toBeUndefined();
  });

  test('pictures by other coordinates than the first of their material are left out, and counted', async () => {
    const bytes = await pictured((document, glazed) => {
      const shade = document.createTexture('shade').setImage(PICTURE).setMimeType('image/png');
      glazed.setOcclusionTexture(shade).getOcclusionTextureInfo()?.setTexCoord(1);
      glazed.setNormalTexture(shade);
    });
    const { paints } = await read(bytes);
    expect(paints?.list[0].maps).toEqual({ colour: 0, normal: 1 });
    expect(paints?.leftOut).toBe(1);
  });
});
