import { STILL, type DisplayBuffers, type ShownCluster, type ShownPiece } from '@fictile/core';
import { GeometryShelf } from './geometries.ts';

const buffers = (): DisplayBuffers => ({
  positions: new Float32Array(9),
  normals: new Float32Array(9),
  index: Uint32Array.from([0, 1, 2]),
  groups: [{ part: 'front', letter: -1, start: 0, count: 3 }],
  edges: Uint32Array.from([0, 1]),
});
const cluster = (key: string, withBuffers = true): ShownCluster => ({
  key,
  faces: key,
  x: 0,
  y: 0,
  z: 0,
  letters: [0],
  buffers: withBuffers ? buffers() : undefined,
});
const piece = (...clusters: ShownCluster[]): ShownPiece[] => [
  {
    pieceId: 'a',
    clusters,
    letters: [],
    transform: STILL,
    frame: STILL,
    pivot: [0, 0, 0],
    line: { up: 1, down: 0, baselines: [0], front: 0 },
    remarks: [],
    faces: 0,
    quads: 0,
    built: { clusters: 0, wavefronts: 0, lifted: 0 },
    bodyFaces: 0,
    stepFaces: [],
  },
];

test('keeps what is shown, shares equal clusters, frees the rest', () => {
  const shelf = new GeometryShelf();
  shelf.update(piece(cluster('k'), cluster('i'), cluster('k', false)));
  expect(shelf.keys()).toEqual(['k', 'i']);
  const kept = shelf.get('k');
  let freed = 0;
  shelf.get('i')?.solid.addEventListener('dispose', () => freed++);
  shelf.update(piece(cluster('k', false), cluster('l')));
  expect(shelf.keys()).toEqual(['k', 'l']);
  expect([shelf.get('k') === kept, shelf.get('i'), freed]).toEqual([true, undefined, 1]);
  shelf.clear();
  expect(shelf.keys()).toEqual([]);
});

test('what only moves is written into the buffers that its faces have, or beside those still shown', () => {
  const shelf = new GeometryShelf();
  shelf.update(piece(cluster('k')));
  const { solid } = shelf.get('k') as { solid: { index: unknown } };
  const moved = { positions: Float32Array.from([1, 0, 0, 0, 1, 0, 0, 0, 1]), normals: new Float32Array(9) };
  const pulled = (key: string): ShownCluster => ({ ...cluster(key, false), faces: 'k', moved });
  shelf.update(piece(pulled('k 1')));
  expect(shelf.keys()).toEqual(['k 1']);
  expect(shelf.faces()).toEqual(['k']);
  expect(shelf.get('k 1')?.solid).toBe(solid);
  expect(shelf.triangles('k 1')?.positions).toBe(moved.positions);
  expect(shelf.get('k 1')?.edges.getAttribute('position')).toBe(shelf.get('k 1')?.solid.getAttribute('position'));
  shelf.update(piece(cluster('k 1', false), pulled('k 2')));
  expect(shelf.keys()).toEqual(['k 1', 'k 2']);
  expect(shelf.get('k 1')?.solid).toBe(solid);
});

test('a part of the mesh is a group with a material of its own', () => {
  const shelf = new GeometryShelf();
  shelf.update(piece(cluster('k')));
  expect(shelf.get('k')).toMatchObject({
    groups: [{ part: 'front', letter: -1, start: 0, count: 3 }],
    solid: { groups: [{ start: 0, count: 3, materialIndex: 0 }] },
  });
});

test('a cluster without buffers that is not on the shelf stays absent, so that it is asked for again', () => {
  const shelf = new GeometryShelf();
  shelf.update(piece(cluster('k', false)));
  expect(shelf.keys()).toEqual([]);
});
