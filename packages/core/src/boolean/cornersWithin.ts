import { cross, dot, minus, type Vec3 } from '../math/index.ts';
import type { CutSource } from './source.ts';

/** Corners of a mesh, and how much of each. */
export interface Within {
  rows: number[];
  shares: number[];
}

/**
 * What a place of a source's face is made of: the corners of that triangle of the face which holds it, or is nearest to
 * holding it, by its barycentric coordinates (Ericson 2005, "Real-time collision detection", 3.4). Undefined where no
 * triangle has an area.
 */
export function cornersWithin({ mesh, triangles }: CutSource, face: number, place: Vec3): Within | undefined {
  let best: (Within & { least: number }) | undefined;
  for (let t = firstOf(triangles.face, face); triangles.face[t] === face; t++) {
    const corners = [0, 1, 2].map((k) => triangles.corners[3 * t + k]);
    const [a, b, c] = corners.map((corner): Vec3 => {
      const v = 3 * mesh.faceVertices[corner];
      return [mesh.positions[v], mesh.positions[v + 1], mesh.positions[v + 2]];
    });
    const normal = cross(minus(b, a), minus(c, a));
    const area = dot(normal, normal);
    if (!(area > 0)) continue;
    const shareB = dot(cross(minus(place, a), minus(c, a)), normal) / area;
    const shareC = dot(cross(minus(b, a), minus(place, a)), normal) / area;
    const shares = [1 - shareB - shareC, shareB, shareC];
    const least = Math.min(...shares);
    if (best && best.least >= least) continue;
    best = { least, rows: corners, shares };
  }
  return best;
}

/** Triangles come face after face. */
function firstOf(faces: Uint32Array, face: number): number {
  let [low, high] = [0, faces.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (faces[middle] < face) low = middle + 1;
    else high = middle;
  }
  return low;
}
