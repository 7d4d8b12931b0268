import { areaVector, triangulate, type PolygonMesh } from '../mesh/index.ts';

/**
 * Binary STL (3D Systems 1989): triangles of 32-bit numbers with their normals. The meshes must hold 32-bit values
 * already (toFloat32).
 */
export function writeStl(meshes: readonly PolygonMesh[]): Uint8Array {
  const cuts = meshes.map((mesh) => triangulate(mesh).corners);
  const count = cuts.reduce((sum, corners) => sum + corners.length / 3, 0);
  const bytes = new Uint8Array(84 + 50 * count);
  'Fictile'.split('').forEach((letter, i) => (bytes[i] = letter.charCodeAt(0)));
  const view = new DataView(bytes.buffer);
  view.setUint32(80, count, true);
  let at = 84;
  meshes.forEach((mesh, m) => {
    const p = mesh.positions;
    const corners = cuts[m];
    for (let c = 0; c < corners.length; c += 3, at += 50) {
      const v = [0, 1, 2].map((k) => mesh.faceVertices[corners[c + k]] * 3);
      unitNormal(p, v).forEach((n, k) => view.setFloat32(at + 4 * k, n, true));
      v.forEach((o, i) => [0, 1, 2].forEach((k) => view.setFloat32(at + 12 + 12 * i + 4 * k, p[o + k], true)));
    }
  });
  return bytes;
}

function unitNormal(p: Float64Array, [a, b, c]: number[]): [number, number, number] {
  const [x, y, z] = areaVector(p, a, b, c);
  const length = Math.sqrt(x * x + y * y + z * z);
  return length > 0 ? [x / length, y / length, z / length] : [0, 0, 0];
}
