import { minus, type Vec3 } from '../math/index.ts';
import { faceCount, staysFlat, triangulate, vertexCount, type PolygonMesh, type Triangles } from '../mesh/index.ts';
import type { Carver } from '../base/index.ts';

/** A mesh that was handed to the kernel, by the number that its triangles carry there. */
export interface CutSource {
  id: number;
  mesh: PolygonMesh;
  triangles: Triangles;
  /** per triangle: its face where that is flat, else the number of faces and its own */
  groups: Uint32Array;
  /** of the kernel's space, in the mesh's */
  origin: Vec3;
}

/** Of the diagonal: farther from its plane no corner of a flat face lies. */
const FLAT = 1e-9;

/** Above this a 32-bit float does not count vertices one by one. */
export const MOST_VERTICES = 2 ** 24;

export function sourceOf(
  carver: Carver,
  mesh: PolygonMesh,
  { origin, diagonal }: { origin: Vec3; diagonal: number },
): CutSource {
  const triangles = triangulate(mesh);
  const faces = faceCount(mesh);
  const isFlat = new Uint8Array(faces);
  for (let f = 0; f < faces; f++) isFlat[f] = staysFlat(mesh, f, FLAT * diagonal) ? 1 : 0;
  const groups = triangles.face.map((f, t) => (isFlat[f] ? f : faces + t));
  return { id: carver.Manifold.reserveIDs(1), mesh, triangles, groups, origin };
}

/** Face of the mesh that a group is a part of. */
export const faceOfGroup = ({ mesh, triangles }: CutSource, group: number): number =>
  group < faceCount(mesh) ? group : triangles.face[group - faceCount(mesh)];

/** Where a vertex lies in the kernel's space. */
export const sourcePlace = ({ mesh, origin }: CutSource, vertex: number): Vec3 =>
  minus([mesh.positions[3 * vertex], mesh.positions[3 * vertex + 1], mesh.positions[3 * vertex + 2]], origin);

/** As the kernel reads it: 32-bit places, and the number of every vertex beside them. */
export function kernelMesh(carver: Carver, source: CutSource): InstanceType<Carver['Mesh']> {
  const { mesh, triangles, groups, id, origin } = source;
  const count = vertexCount(mesh);
  const vertProperties = new Float32Array(4 * count);
  for (let v = 0; v < count; v++) {
    for (let k = 0; k < 3; k++) vertProperties[4 * v + k] = mesh.positions[3 * v + k] - origin[k];
    vertProperties[4 * v + 3] = v;
  }
  const triVerts = triangles.corners.map((corner) => mesh.faceVertices[corner]);
  return new carver.Mesh({
    numProp: 4,
    vertProperties,
    triVerts,
    faceID: groups,
    runOriginalID: Uint32Array.of(id),
    runIndex: Uint32Array.of(0, triVerts.length),
  });
}
