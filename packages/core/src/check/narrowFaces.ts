import { dot, sizeOf, cross, type Vec3 } from '../math/index.ts';
import { faceCount, type PolygonMesh, type Triangles } from '../mesh/index.ts';
import { SLIVER_SINE, triangleShape } from './triangleShape.ts';

/**
 * What a face is that is hard to work with: pointed by itself, or proper but so long that its triangles are needles.
 */
export const NARROW = { none: 0, sliver: 1, long: 2 } as const;

/** By face: one of {@link NARROW}. */
export function narrowFaces(mesh: PolygonMesh, triangles: Triangles): Uint8Array {
  const kinds = new Uint8Array(faceCount(mesh));
  for (let t = 0; t < triangles.face.length; t++)
    if (triangleShape(mesh, triangles, t).isSliver) kinds[triangles.face[t]] = NARROW.long;
  for (let f = 0; f < kinds.length; f++) if (kinds[f] === NARROW.long && isPointed(mesh, f)) kinds[f] = NARROW.sliver;
  return kinds;
}

/** Whether a corner of the face itself is under one degree. */
function isPointed({ positions: p, faceStart, faceVertices }: PolygonMesh, f: number): boolean {
  const [start, size] = [faceStart[f], faceStart[f + 1] - faceStart[f]];
  const edge = (i: number): Vec3 => {
    const [a, b] = [i, i + 1].map((k) => 3 * faceVertices[start + (k % size)]);
    return [p[b] - p[a], p[b + 1] - p[a + 1], p[b + 2] - p[a + 2]];
  };
  let before = edge(size - 1);
  for (let i = 0; i < size; i++) {
    const after = edge(i);
    // where a walk along the border turns right back
    if (dot(before, after) < 0 && sizeOf(cross(before, after)) < SLIVER_SINE * sizeOf(before) * sizeOf(after))
      return true;
    before = after;
  }
  return false;
}
