import type { PolygonMesh, Region } from '../mesh/index.ts';
import type { BuiltCluster } from './builtCluster.ts';

/** All clusters in one mesh, in the piece's own coordinates; regions hold the layout's letter numbers. Exact: everything lies on one grid. */
export function assemble(clusters: readonly BuiltCluster[]): PolygonMesh {
  const sum = (pick: (m: PolygonMesh) => number): number => clusters.reduce((total, c) => total + pick(c.mesh), 0);
  const corners = sum((m) => m.faceVertices.length);
  const faces = sum((m) => m.region.length);
  const mesh: PolygonMesh = {
    positions: new Float64Array(sum((m) => m.positions.length)),
    faceStart: new Uint32Array(faces + 1),
    faceVertices: new Uint32Array(corners),
    sharp: new Uint8Array(corners),
    ...(clusters.every(({ mesh }) => mesh.uv) && { uv: new Float32Array(2 * corners) }),
    region: new Uint32Array(faces),
    regions: [],
  };
  const at = { vertex: 0, corner: 0, face: 0 };
  for (const cluster of clusters) {
    append(mesh, cluster, at);
  }
  return mesh;
}

function append(
  mesh: PolygonMesh,
  { mesh: part, letters, x, y, z }: BuiltCluster,
  at: { vertex: number; corner: number; face: number },
): void {
  const offset = [x, y, z];
  for (let i = 0; i < part.positions.length; i++) mesh.positions[at.vertex * 3 + i] = part.positions[i] + offset[i % 3];
  for (let i = 0; i < part.faceVertices.length; i++)
    mesh.faceVertices[at.corner + i] = part.faceVertices[i] + at.vertex;
  mesh.sharp.set(part.sharp, at.corner);
  if (mesh.uv && part.uv) placeUv(part, { x, y }, mesh.uv.subarray(2 * at.corner));
  const row = mesh.regions.length;
  for (let f = 0; f < part.region.length; f++) {
    mesh.region[at.face + f] = part.region[f] + row;
    mesh.faceStart[at.face + f + 1] = part.faceStart[f + 1] + at.corner;
  }
  mesh.regions.push(...part.regions.map((r): Region => ({ ...r, letter: letters[r.letter] ?? -1 })));
  at.vertex += part.positions.length / 3;
  at.corner += part.faceVertices.length;
  at.face += part.region.length;
}

/** Fronts and backs show what lies at their place in the lettering; the back is seen from behind. */
function placeUv(part: PolygonMesh, { x, y }: { x: number; y: number }, uv: Float32Array): void {
  uv.set(part.uv as Float32Array);
  for (let f = 0; f < part.region.length; f++) {
    const name = part.regions[part.region[f]].part;
    if (name !== 'front' && name !== 'back') continue;
    for (let c = part.faceStart[f]; c < part.faceStart[f + 1]; c++) {
      uv[2 * c] += name === 'front' ? x : 0 - x;
      uv[2 * c + 1] += y;
    }
  }
}
