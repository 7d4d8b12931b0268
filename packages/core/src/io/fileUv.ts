import type { PolygonMesh } from '../mesh/index.ts';
import { cos, sin } from '../math/index.ts';
import type { LetterLook } from './looks.ts';
import type { UvSpace } from './fileFields.ts';
import { packUv } from './packUv.ts';

export interface FileUv {
  space: UvSpace;
  /** side of the square that one picture covers, mm; packed ones fill theirs */
  tileMm: number;
}

/**
 * A mesh whose texture coordinates are those of the file, 1 a picture, up is up; without any where none are wanted or
 * known.
 */
export function withFileUv(mesh: PolygonMesh, letters: readonly LetterLook[], { space, tileMm }: FileUv): PolygonMesh {
  const { uv, ...bare } = mesh;
  if (!uv || space === 'none') return bare;
  if (space === 'packed') return { ...bare, uv: packUv({ ...bare, uv }) };
  const laid = space === 'letters' ? fromOrigins({ ...bare, uv }, letters) : uv;
  return { ...bare, uv: laid.map((value) => value / tileMm) };
}

/** Fronts and backs of each letter upright about its own origin. */
function fromOrigins(mesh: PolygonMesh & { uv: Float32Array }, letters: readonly LetterLook[]): Float32Array {
  const uv = mesh.uv.slice();
  for (let f = 0; f < mesh.region.length; f++) {
    const { part, letter } = mesh.regions[mesh.region[f]];
    const origin = letters[letter]?.origin;
    if (!origin || (part !== 'front' && part !== 'back')) continue;
    const seen = part === 'front' ? 1 : -1;
    const [right, up] = [cos(origin.turn), sin(origin.turn)];
    for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++) {
      const x = seen * uv[2 * c] - origin.x;
      const y = uv[2 * c + 1] - origin.y;
      uv[2 * c] = seen * (x * right + y * up);
      uv[2 * c + 1] = y * right - x * up;
    }
  }
  return uv;
}
