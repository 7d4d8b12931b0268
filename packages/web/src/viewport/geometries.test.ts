import { STILL, type DisplayBuffers, type ShownCluster, type ShownPiece } from '@fictile/core';
import { GeometryShelf } from './geometries.ts';

const buffers = (): DisplayBuffers => ({
  positions: new Float32Array(9),
  normals: new Float32Array(9),
  index: Uint32Array.from([0, 1, 2]),
  groups: [{ part: 'front', letter: -1, start: 0, count: 3 }],
  edges: new Float32Array(6),
});
const cluster = (key: string, withBuffers = true): ShownCluster => ({
  key,
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
