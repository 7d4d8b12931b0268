import { MeshBuilder, type PolygonMesh } from '../mesh/index.ts';
import { cubes } from '../testing/meshes.ts';
import { subdivided } from '../testing/subdivided.ts';
import { checkMesh, faultPlaces } from './index.ts';

const figures = (mesh: PolygonMesh) => checkMesh(mesh).figures;

test('a cube’s corners are poles, and so are they after it is cut finer', () => {
  expect(figures(cubes(2, [0, 0, 0]))).toMatchObject({ poles: 8, inner: 8, bent: 0 });
  expect(figures(subdivided(cubes(2, [0, 0, 0])))).toMatchObject({ poles: 8, inner: 26 });
});

test('a quad with a corner lifted is not flat', () => {
  const builder = new MeshBuilder();
  const region = builder.region('body', -1, -1);
  const at = [
    [0, 0, 0],
    [1, 0, 0],
    [1, 1, 0.2],
    [0, 1, 0],
  ].map(([x, y, z]) => builder.vertex(x, y, z));
  builder.face(at, region);
  const mesh = builder.finish();
  expect(figures(mesh)).toMatchObject({ bent: 1, poles: 0, inner: 0 });
  expect(faultPlaces(mesh, 'bent')).toHaveLength(18);
});

test('edge lengths and corner angles fall into their bins, and none is lost', () => {
  const { lengths, corners } = figures(cubes(2, [0, 0, 0], [5, 0, 0]));
  expect(lengths.counts.reduce((a, b) => a + b, 0)).toBe(24);
  expect([lengths.marks[0], lengths.marks[lengths.marks.length - 1]]).toEqual([2, 2]);
  expect(corners.counts.map((count, i) => (count > 0 ? corners.marks[i] : -1)).filter((mark) => mark >= 0)).toEqual([
    90,
  ]);
  expect(corners.counts.reduce((a, b) => a + b, 0)).toBe(48);
});

test('marks of lengths go up by one ratio', () => {
  const { marks } = figures(joinedSizes()).lengths;
  for (let i = 2; i < marks.length; i++) expect(marks[i] / marks[i - 1]).toBeCloseTo(marks[1] / marks[0], 6);
});

const joinedSizes = (): PolygonMesh => {
  const builder = new MeshBuilder();
  const region = builder.region('body', -1, -1);
  for (const size of [1, 7, 50])
    builder.face(
      [
        [0, 0],
        [size, 0],
        [0, size],
      ].map(([x, y]) => builder.vertex(x, y, size)),
      region,
    );
  return builder.finish();
};

test('what is no quad, and what stands at a pole, can be shown', () => {
  const mesh = cubes(2, [0, 0, 0]);
  expect(faultPlaces(mesh, 'notQuads')).toHaveLength(0);
  expect(faultPlaces(mesh, 'poles')).toHaveLength(12 * 9);
  expect(faultPlaces(joinedSizes(), 'notQuads')).toHaveLength(3 * 9);
});
