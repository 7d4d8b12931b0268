import { faceCount, type PolygonMesh } from './polygonMesh.ts';
import { weld } from './weld.ts';

/**
 * The border to everything that holds 32-bit numbers (pictures, STL, GLB): rounds, then drops faces that collapsed. On the common grid
 * nothing changes and the mesh itself comes back.
 */
export function toFloat32(mesh: PolygonMesh): { mesh: PolygonMesh; collapsed: number } {
  if (mesh.positions.every((v) => Math.fround(v) === v)) return { mesh, collapsed: 0 };
  const rounded = weld({ ...mesh, positions: mesh.positions.map(Math.fround) });
  return { mesh: rounded, collapsed: faceCount(mesh) - faceCount(rounded) };
}
