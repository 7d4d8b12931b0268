import { MeshSink, type PolygonMesh, type Region } from '../mesh/index.ts';
import type { BuiltCluster } from './builtCluster.ts';

/**
 * All clusters in one mesh, in the piece's own coordinates; regions hold the layout's letter numbers. Exact: everything
 * lies on one grid. Where they lay in the flat layout stays behind.
 */
export function assemble(clusters: readonly BuiltCluster[]): PolygonMesh {
  const placed = clusters.map(placedCluster);
  const sink = new MeshSink(placed, { without: ['rest'] });
  placed.forEach(({ positions, region }, s) => {
    for (let v = 0; v < positions.length / 3; v++) sink.vertexOf(v, s);
    for (let f = 0; f < region.length; f++) sink.keep(f, s);
  });
  return sink.finish();
}

function placedCluster({ mesh, letters, x, y, z }: BuiltCluster): PolygonMesh {
  const offset = [x, y, z];
  return {
    ...mesh,
    positions: mesh.positions.map((v, i) => v + offset[i % 3]),
    ...(mesh.uv && { uv: placedUv(mesh, mesh.uv, { x, y }) }),
    regions: mesh.regions.map((r): Region => ({ ...r, letter: letters[r.letter] ?? -1 })),
  };
}

/** Fronts and backs show what lies at their place in the lettering; the back is seen from behind. */
function placedUv(part: PolygonMesh, own: Float32Array, { x, y }: { x: number; y: number }): Float32Array {
  const uv = own.slice();
  for (let f = 0; f < part.region.length; f++) {
    const name = part.regions[part.region[f]].part;
    if (name !== 'front' && name !== 'back') continue;
    for (let c = part.faceStart[f]; c < part.faceStart[f + 1]; c++) {
      uv[2 * c] += name === 'front' ? x : 0 - x;
      uv[2 * c + 1] += y;
    }
  }
  return uv;
}
