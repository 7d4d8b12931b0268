import { cos, PI } from '../math/index.ts';
import { adjacency, faceAreaVectors, type PolygonMesh } from '../mesh/index.ts';

/** Marks edges as sharp where their faces turn by more than an angle; open edges are. */
export function crisp(mesh: PolygonMesh, fromDegrees: number): PolygonMesh {
  const { twin, face } = adjacency(mesh);
  const areas = faceAreaVectors(mesh);
  const limit = cos((fromDegrees * PI) / 180);
  const sharp = Uint8Array.from(twin, (other, c) => {
    if (other < 0) return 1;
    const [f, g] = [3 * face[c], 3 * face[other]];
    const dot = (i: number, j: number): number =>
      areas[i] * areas[j] + areas[i + 1] * areas[j + 1] + areas[i + 2] * areas[j + 2];
    return dot(f, g) < limit * Math.sqrt(dot(f, f) * dot(g, g)) ? 1 : 0;
  });
  return { ...mesh, sharp };
}
