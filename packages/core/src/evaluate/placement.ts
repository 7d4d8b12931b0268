import type { Placement } from '../document/index.ts';
import type { BuiltCluster } from '../lettering/index.ts';
import { turnOf, type Transform } from '../math/index.ts';

/** Where a piece stands in the scene. A piece on the table is let down until its lowest point lies there, whatever its words have become. */
export function pieceTransform(placement: Placement, clusters: readonly BuiltCluster[]): Transform {
  const rows = turnOf(placement.turnDegrees);
  const [x, y, z] = placement.atMm;
  const low = placement.stand === 'table' ? lowestPoint(rows, clusters) : 0;
  return { rows, move: [x, y - low, z] };
}

function lowestPoint(rows: readonly number[], clusters: readonly BuiltCluster[]): number {
  let low = Infinity;
  for (const { mesh, x, y, z } of clusters) {
    const shift = rows[3] * x + rows[4] * y + rows[5] * z;
    const p = mesh.positions;
    for (let i = 0; i < p.length; i += 3)
      low = Math.min(low, rows[3] * p[i] + rows[4] * p[i + 1] + rows[5] * p[i + 2] + shift);
  }
  return low === Infinity ? 0 : low;
}
