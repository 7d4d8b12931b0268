import { faceCount, type PolygonMesh } from './polygonMesh.ts';
import { RowTable, words32 } from './rowTable.ts';
import { weld } from './weld.ts';

/**
 * The border to everything that holds 32-bit numbers (pictures, STL, GLB): rounds, then drops faces that collapsed. On
 * the common grid nothing changes and the mesh itself comes back.
 */
export function toFloat32(mesh: PolygonMesh): { mesh: PolygonMesh; collapsed: number } {
  if (mesh.positions.every((v) => Math.fround(v) === v)) return { mesh, collapsed: 0 };
  const positions = mesh.positions.map(Math.fround);
  // where no two vertices have become one nothing has collapsed
  if (!hasTwins(positions)) return { mesh: { ...mesh, positions }, collapsed: 0 };
  const rounded = weld({ ...mesh, positions });
  return { mesh: rounded, collapsed: faceCount(mesh) - faceCount(rounded) };
}

/** Whether two vertices lie in one place. */
function hasTwins(positions: Float64Array): boolean {
  const table = new RowTable(words32(positions), 3);
  for (let row = 0; row < positions.length / 3; row++) if (table.first(row) !== row) return true;
  return false;
}
