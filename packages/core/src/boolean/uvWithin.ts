import { cross, dot, minus, type Vec3 } from '../math/index.ts';
import type { Source } from './source.ts';

/**
 * Texture coordinates at a place of a source's face: of the triangle of the face that holds it, or is nearest to holding it, by its barycentric
 * coordinates (Ericson 2005, "Real-time collision detection", 3.4).
 */
export function uvWithin({ mesh, triangles }: Source, face: number, place: Vec3): [number, number] {
  const uv = mesh.uv as Float32Array;
  let best: { least: number; at: [number, number] } | undefined;
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
    const sum = (k: 0 | 1): number => shares.reduce((total, share, i) => total + share * uv[2 * corners[i] + k], 0);
    best = { least, at: [sum(0), sum(1)] };
  }
  return best?.at ?? [0, 0];
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
