import { faceCount, type PolygonMesh } from './polygonMesh.ts';
import { weld } from './weld.ts';

/**
 * The border to everything that holds 32-bit numbers (pictures, STL, GLB): rounds, then drops faces that collapsed. On the common grid
 * nothing changes and the mesh itself comes back.
 */
export function toFloat32(mesh: PolygonMesh): { mesh: PolygonMesh; collapsed: number } {
  if (mesh.positions.every((v) => Math.fround(v) === v)) return { mesh, collapsed: 0 };
  const positions = mesh.positions.map(Math.fround);
  // where no two vertices have become one nothing has collapsed
  if (!hasTwins(positions)) return { mesh: { ...mesh, positions }, collapsed: 0 };
  const rounded = weld({ ...mesh, positions });
  return { mesh: rounded, collapsed: faceCount(mesh) - faceCount(rounded) };
}

/** Whether two rows of three 32-bit numbers are equal: a table of row numbers, probed one place after another. */
function hasTwins(positions: Float64Array): boolean {
  const count = positions.length / 3;
  let size = 4;
  while (size < 2 * count) size *= 2;
  const table = new Int32Array(size).fill(-1);
  // plus zero: there are two zeros
  const bits = new Int32Array(Float32Array.from(positions, (v) => v + 0).buffer);
  for (let row = 0; row < count; row++) {
    const [a, b, c] = [bits[3 * row], bits[3 * row + 1], bits[3 * row + 2]];
    let at = hashOf(a, b, c) & (size - 1);
    for (let other = table[at]; other >= 0; other = table[at]) {
      if (bits[3 * other] === a && bits[3 * other + 1] === b && bits[3 * other + 2] === c) return true;
      at = (at + 1) & (size - 1);
    }
    table[at] = row;
  }
  return false;
}

function hashOf(a: number, b: number, c: number): number {
  const mixed = Math.imul(a, 0x8da6b343) ^ Math.imul(b, 0xd8163841) ^ Math.imul(c, 0xcb1ab31f);
  return Math.imul(mixed ^ (mixed >>> 15), 0x2c1b3c6d) >>> 3;
}
