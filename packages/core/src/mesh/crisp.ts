import { cos, PI } from '../math/index.ts';
import { adjacency } from './adjacency.ts';
import { cosineBetween, faceAreaVectors } from './faceNormals.ts';
import type { PolygonMesh } from './polygonMesh.ts';

/** Of 30 degrees: edges whose faces turn by more shade crisply where nobody says otherwise. */
export const CRISP_COSINE = 0.8660254037844387;

/** Marks edges as sharp where their faces turn by more than an angle; open edges are. */
export function crisp(mesh: PolygonMesh, fromDegrees: number): PolygonMesh {
  const { twin, face } = adjacency(mesh);
  const areas = faceAreaVectors(mesh);
  const limit = cos((fromDegrees * PI) / 180);
  const sharp = new Uint8Array(twin.length);
  for (let c = 0; c < twin.length; c++)
    sharp[c] = twin[c] < 0 || cosineBetween(areas, face[c], face[twin[c]], 1) < limit ? 1 : 0;
  return { ...mesh, sharp };
}
