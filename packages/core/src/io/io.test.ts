import { unwrap } from '../base/index.ts';
import { checkMesh } from '../check/index.ts';
import { adjacency, faceCount } from '../mesh/index.ts';
import { cubes } from '../testing/meshes.ts';
import { readObj, readPly, readStl, usualWriteOptions, writeMesh, type MeshFormat } from './index.ts';

const cube = cubes(3.1, [0.1, -1e-7, 123.456]);
const written = async (format: MeshFormat, choices = {}): Promise<Uint8Array> =>
  (await writeMesh(cube, { ...usualWriteOptions(format, 'Kiln'), ...choices }, [{ text: 'K', finish: null }])).bytes;
const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);

test('an OBJ reads back to the same doubles and faces', async () => {
  const back = unwrap(readObj(await written('obj')));
  expect(back.positions).toEqual(cube.positions);
  expect(back.faceVertices).toEqual(cube.faceVertices);
  expect(back.faceStart).toEqual(cube.faceStart);
});

test('an STL reads back joined and closed, z up', async () => {
  const back = unwrap(readStl(await written('stl')));
  expect(checkMesh(back)).toMatchObject({ vertices: 8, faces: 12, closed: true, manifold: true, outward: true });
  const heights = Array.from(back.positions).filter((_, i) => i % 3 === 2);
  expect(Math.min(...heights)).toBeCloseTo(-1e-7, 12);
});

test('units, axes and triangles on request', async () => {
  const back = unwrap(readObj(await written('obj', { unit: 'cm', up: 'z', triangles: true })));
  expect(faceCount(back)).toBe(12);
  [0.01, -12.3456, -1e-8].forEach((value, k) => expect(back.positions[k]).toBeCloseTo(value, 12));
  expect(checkMesh(back).outward).toBe(true);
});

test('a GLB says glTF 2, its own length, and metres', async () => {
  const glb = await written('glb', { nodes: 'letters' });
  const view = new DataView(glb.buffer, glb.byteOffset);
  expect([view.getUint32(0, true), view.getUint32(4, true), view.getUint32(8, true)]).toEqual([
    0x46546c67,
    2,
    glb.length,
  ]);
  const json = JSON.parse(new TextDecoder().decode(glb.subarray(20, 20 + view.getUint32(12, true))));
  expect(json.nodes.map((n: { name: string }) => n.name)).toEqual(expect.arrayContaining(['Kiln', 'rest 0']));
  expect(json.nodes.find((n: { scale?: number[] }) => n.scale).scale).toEqual([0.001, 0.001, 0.001]);
  expect(json.asset).toMatchObject({ version: '2.0', generator: 'Fictile' });
});

test('rounding to 32 bit is told when faces collapse by it', async () => {
  const tiny = cubes(1e-6, [1000, 1000, 1000]);
  const { meshes, remarks } = await writeMesh(tiny, usualWriteOptions('stl', 'dust'));
  expect(remarks).toEqual([{ code: 'ROUNDING_COLLAPSED', params: { faces: 6 } }]);
  expect(faceCount(meshes[0])).toBe(0);
});

test('weld joins what is equal as written', async () => {
  const two = cubes(1, [0, 0, 0], [1, 0, 0]);
  const { meshes } = await writeMesh(two, { ...usualWriteOptions('obj', 'two'), weld: true });
  const [mesh] = meshes;
  expect(mesh.positions).toHaveLength(12 * 3);
  expect(adjacency(mesh).badEdges).toBe(4);
});

describe('broken files are refused with their place', () => {
  test.each<[string, string, number]>([
    ['v 0 0 0\nv 1 0 x\n', 'vertex', 2],
    ['v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 4\n', 'face', 4],
    ['v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2\n', 'corners', 4],
    ['v 0 0 0\nv 1 0 0\nv 0 1 0\nf 0 1 2\n', 'face', 4],
    ['hello\n', 'no faces', 0],
    ['', 'no faces', 0],
  ])('OBJ %j', (text, why, place) => {
    expect(readObj(bytes(text))).toEqual({
      ok: false,
      error: { code: 'MESH_BROKEN', params: { format: 'obj', place, why } },
    });
  });

  test('OBJ: counting from the end, comments, joined lines, carriage returns', () => {
    const mesh = unwrap(readObj(bytes('# é\r\nv 0 0 0\r\nv 1 0 0\r\nv 0 \\\r\n1 0\r\nf -3/1/2 -2//1 -1\r\n')));
    expect(Array.from(mesh.faceVertices)).toEqual([0, 1, 2]);
  });

  test('STL: short, text, wrong count, not finite', async () => {
    const why = (data: Uint8Array): string => {
      const read = readStl(data);
      return read.ok ? 'read' : (read.error.params as { why: string }).why;
    };
    const good = await written('stl');
    const infinite = good.slice();
    new DataView(infinite.buffer).setFloat32(96, Infinity, true);
    expect(why(new Uint8Array(10))).toBe('short');
    expect(why(bytes(`solid x${' '.repeat(100)}`))).toBe('short');
    expect(why(bytes('solid x\nendsolid x'))).toBe('no faces');
    expect(why(bytes('solid x\nvertex 0 0 0\nvertex 1 0'))).toBe('line');
    expect(why(bytes('solid x\nfacet normal 0 0 0\nouter loop\nvertex 0 0 0\nvertex 1 0'))).toBe('short');
    expect(why(bytes('solid x\nfacet normal 0 0 0\nouter loop\nvertex 0 0 x'))).toBe('vertex');
    expect(why(bytes('solid x\nfacet normal 0 0 0\nouter loop\nvertex 0 0 0\nendloop'))).toBe('corners');
    expect(why(good.slice(0, -1))).toBe('count');
    expect(why(infinite)).toBe('vertex');
  });
});

test('STL and PLY written as text hold what the binary ones hold', async () => {
  const mesh = unwrap(readStl(await written('stl')));
  const place = (v: number): string => [...mesh.positions.subarray(3 * v, 3 * v + 3)].join(' ');
  const faces = Array.from({ length: faceCount(mesh) }, (_, f) => [
    ...mesh.faceVertices.subarray(mesh.faceStart[f], mesh.faceStart[f + 1]),
  ]);
  const stl = faces.map(
    (row) => `facet normal 0 0 0\nouter loop\n${row.map((v) => `vertex ${place(v)}`).join('\n')}\nendloop\nendfacet`,
  );
  const back = unwrap(readStl(new TextEncoder().encode(`solid it\n${stl.join('\n')}\nendsolid it`)));
  expect([back.positions, back.faceVertices]).toEqual([mesh.positions, mesh.faceVertices]);
  const points = Array.from({ length: mesh.positions.length / 3 }, (_, v) => place(v));
  const header =
    `ply\nformat ascii 1.0\nelement vertex ${points.length}\nproperty float x\nproperty float y\nproperty float ` +
    `z\nelement face ${faces.length}\nproperty list uchar int vertex_indices\nend_header\n`;
  const ply = unwrap(
    readPly(
      new TextEncoder().encode(
        `${header}${[...points, ...faces.map((row) => `${row.length} ${row.join(' ')}`)].join('\n')}\n`,
      ),
    ),
  );
  expect([ply.positions, ply.faceVertices]).toEqual([mesh.positions, mesh.faceVertices]);
});
