import { MeshBuilder, type PolygonMesh } from '../mesh/index.ts';

const CUBE_FACES = [
  [0, 3, 2, 1],
  [4, 5, 6, 7],
  [0, 1, 5, 4],
  [1, 2, 6, 5],
  [2, 3, 7, 6],
  [3, 0, 4, 7],
];

/** Cubes of the given size with their lower corners at the given places, facing outward. */
export function cubes(size: number, ...places: readonly [number, number, number][]): PolygonMesh {
  const builder = new MeshBuilder();
  const body = builder.region('body', -1, -1);
  for (const [x, y, z] of places) {
    const row = [0, 1].flatMap((k) =>
      [
        [0, 0],
        [1, 0],
        [1, 1],
        [0, 1],
      ].map(([i, j]) => builder.vertex(x + i * size, y + j * size, z + k * size)),
    );
    for (const face of CUBE_FACES)
      builder.face(
        face.map((i) => row[i]),
        body,
      );
  }
  return builder.finish();
}

/** The same faces walked the other way. */
export function insideOut(mesh: PolygonMesh): PolygonMesh {
  const faceVertices = mesh.faceVertices.slice();
  for (let f = 0; f + 1 < mesh.faceStart.length; f++)
    faceVertices.subarray(mesh.faceStart[f], mesh.faceStart[f + 1]).reverse();
  return { ...mesh, faceVertices };
}

export function joined(a: PolygonMesh, b: PolygonMesh): PolygonMesh {
  const shift = a.positions.length / 3;
  return {
    positions: Float64Array.from([...a.positions, ...b.positions]),
    faceStart: Uint32Array.from([...a.faceStart, ...b.faceStart.slice(1).map((v) => v + a.faceVertices.length)]),
    faceVertices: Uint32Array.from([...a.faceVertices, ...b.faceVertices.map((v) => v + shift)]),
    sharp: Uint8Array.from([...a.sharp, ...b.sharp]),
    region: Uint32Array.from([...a.region, ...b.region]),
    regions: a.regions,
  };
}

/** Without its last face. */
export function opened(mesh: PolygonMesh): PolygonMesh {
  const faces = mesh.faceStart.length - 2;
  return {
    ...mesh,
    faceStart: mesh.faceStart.slice(0, faces + 1),
    faceVertices: mesh.faceVertices.slice(0, mesh.faceStart[faces]),
    region: mesh.region.slice(0, faces),
  };
}
