import { seededRandom } from '../base/index.ts';
import { triangulate } from '../mesh/index.ts';
import { cubes, insideOut, joined, opened } from '../testing/meshes.ts';
import { checkMesh, faultPlaces } from './index.ts';

const verdict = (mesh: Parameters<typeof checkMesh>[0]): string => {
  const { closed, manifold, outward, crossingFaces } = checkMesh(mesh);
  return `${closed} ${manifold} ${outward} ${crossingFaces}`;
};

describe('good meshes', () => {
  test('a cube', () => {
    const report = checkMesh(cubes(2, [0, 0, 0]));
    expect(report).toMatchObject({
      vertices: 8,
      faces: 6,
      quads: 6,
      shells: 1,
      closed: true,
      manifold: true,
      outward: true,
      crossingFaces: 0,
      slivers: 0,
      degenerate: 0,
    });
    expect(report.volumeMm3).toBeCloseTo(8, 12);
    expect(report.sizeMm).toEqual([2, 2, 2]);
    expect(report.quadAreaShare).toBe(1);
  });

  test('two that touch, at a face, along an edge or at a point: both look outward', () => {
    for (const place of [
      [2, 0, 0],
      [0, 2, 0],
      [0, 0, 2],
      [0, 0, -2],
      [2, 2, 0],
      [2, -2, 2],
      [1, 1, 2],
      [0.5, 0.25, -2],
    ] as const) {
      const both = joined(cubes(2, [0, 0, 0]), cubes(2, [...place]));
      expect([place, checkMesh(both).outward]).toEqual([place, true]);
      expect([place, checkMesh(joined(cubes(2, [0, 0, 0]), insideOut(cubes(2, [...place])))).outward]).toEqual([
        place,
        false,
      ]);
    }
    // a small one on a large one, which it stands on with all of a side
    expect(checkMesh(joined(cubes(9, [0, 0, 0]), cubes(1, [4, 4, 9]))).outward).toBe(true);
    expect(checkMesh(joined(cubes(1, [4, 4, 9]), cubes(9, [0, 0, 0]))).outward).toBe(true);
  });

  test('two apart, and a hollow: the inner shell must face inward', () => {
    expect(verdict(cubes(1, [0, 0, 0], [3, 0, 0]))).toBe('true true true 0');
    expect(verdict(joined(cubes(4, [0, 0, 0]), insideOut(cubes(1, [1, 1, 1]))))).toBe('true true true 0');
    expect(verdict(joined(cubes(4, [0, 0, 0]), cubes(1, [1, 1, 1])))).toBe('true true false 0');
  });
});

describe('bad meshes', () => {
  test('a missing face', () => expect(verdict(opened(cubes(1, [0, 0, 0])))).toBe('false true false 0'));
  test('inside out', () => expect(verdict(insideOut(cubes(1, [0, 0, 0])))).toBe('true true false 0'));

  test('two cubes through each other', () => {
    expect(checkMesh(cubes(2, [0, 0, 0], [1, 1, 1])).crossingFaces).toBe(6);
  });

  test('touching counts: a shared corner place, a shared face', () => {
    expect(checkMesh(cubes(1, [0, 0, 0], [1, 1, 1])).crossingFaces).toBeGreaterThan(0);
    expect(checkMesh(cubes(1, [0, 0, 0], [1, 0, 0])).crossingFaces).toBeGreaterThan(0);
    expect(checkMesh(cubes(1, [0, 0, 0], [1 + 2 ** -40, 0, 0])).crossingFaces).toBe(0);
  });

  test('two cubes that share one vertex are not manifold there', () => {
    const mesh = cubes(1, [0, 0, 0], [1, 1, 1]);
    const faceVertices = mesh.faceVertices.map((v) => (v === 8 ? 6 : v));
    expect(checkMesh({ ...mesh, faceVertices })).toMatchObject({ closed: true, manifold: false, crossingFaces: 0 });
  });

  test('a face doubled', () => {
    const cube = cubes(1, [0, 0, 0]);
    const doubled = {
      ...cube,
      faceStart: Uint32Array.from([...cube.faceStart, 28]),
      faceVertices: Uint32Array.from([...cube.faceVertices, 0, 3, 2, 1]),
      region: new Uint32Array(7),
    };
    expect(checkMesh(doubled)).toMatchObject({ closed: false, manifold: false });
    expect(checkMesh(doubled).crossingFaces).toBeGreaterThan(0);
  });
});

describe('places', () => {
  test('of crossing faces: those of both bodies that meet, and no others', () => {
    const mesh = cubes(2, [0, 0, 0], [1, 1, 1], [9, 9, 9]);
    const places = faultPlaces(mesh, 'crossing');
    expect(places).toHaveLength(checkMesh(mesh).crossingFaces * 2 * 9);
    expect(Math.max(...places)).toBe(3);
    expect(faultPlaces(cubes(2, [0, 0, 0]), 'crossing')).toHaveLength(0);
  });

  test('of slivers and of faces without area', () => {
    const thin = cubes(1, [0, 0, 0]);
    const flat = { ...thin, positions: thin.positions.map((v, i) => (i % 3 === 2 ? v * 1e-4 : v)) };
    // four proper quads that are cut into needles; cut, each of the eight is pointed
    expect(checkMesh(flat)).toMatchObject({ slivers: 0, longFaces: 4 });
    expect(faultPlaces(flat, 'long').length / 9).toBe(8);
    expect(faultPlaces(flat, 'slivers')).toHaveLength(0);
    const { corners } = triangulate(flat);
    const cut = {
      ...flat,
      faceStart: Uint32Array.from({ length: corners.length / 3 + 1 }, (_, t) => 3 * t),
      faceVertices: Uint32Array.from(corners, (c) => flat.faceVertices[c]),
      region: new Uint32Array(corners.length / 3),
    };
    expect(checkMesh(cut)).toMatchObject({ slivers: 8, longFaces: 0 });
    expect(faultPlaces(cut, 'slivers').length / 9).toBe(8);
    const none = { ...thin, positions: thin.positions.map((v, i) => (i % 3 === 2 ? 0 : v)) };
    // its four sides are lines now, each two triangles
    expect(checkMesh(none).degenerate).toBeGreaterThanOrEqual(8);
    expect(faultPlaces(none, 'degenerate').length / 9).toBe(8);
  });

  test('of open edges: the four faces beside the one that is missing', () => {
    const whole = cubes(1, [0, 0, 0]);
    const last = { faceStart: whole.faceStart.slice(0, -1), region: whole.region.slice(0, -1) };
    const open = { ...whole, ...last, faceVertices: whole.faceVertices.slice(0, -4), sharp: whole.sharp.slice(0, -4) };
    expect(faultPlaces(whole, 'open')).toHaveLength(0);
    expect(faultPlaces(open, 'open').length / 9).toBe(8);
  });
});

test('crossing faces agree with boxes overlapping, for random cubes on a lattice', () => {
  const random = seededRandom(31);
  const place = (): [number, number, number] =>
    [0, 0, 0].map(() => Math.floor(random() * 13) / 4) as [number, number, number];
  for (let i = 0; i < 200; i++) {
    const [a, b] = [place(), place()];
    const gaps = a.map((v, k) => Math.abs(v - b[k]));
    // surfaces of equal cubes meet exactly when the boxes touch or overlap
    expect(checkMesh(cubes(1, a, b)).crossingFaces > 0).toBe(gaps.every((g) => g <= 1));
  }
});
