import type { Placement } from '../document/index.ts';
import { clustersBox, type BuiltCluster } from '../lettering/index.ts';
import { middleOfBox, type Transform, turnOf } from '../math/index.ts';

type HeldPoint = [number, number, number];

/**
 * Where a piece stands in the scene. A piece on the table is let down until its lowest point lies there, whatever its
 * words have become.
 */
export function pieceTransform(placement: Placement, clusters: readonly BuiltCluster[]): Transform {
  const rows = turnOf(placement.turnDegrees);
  const held: HeldPoint = placement.by === 'zero' ? [0, 0, 0] : middleOf(clusters);
  const [x, y, z] = [0, 3, 6].map((r) => rows[r] * held[0] + rows[r + 1] * held[1] + rows[r + 2] * held[2]);
  const isFoot = placement.stand === 'table' || placement.by === 'foot';
  const low = isFoot ? lowestPoint(rows, clusters) : y;
  const [atX, atY, atZ] = placement.atMm;
  return { rows, move: [atX - x, atY - low, atZ - z] };
}

/** Of the box around the piece, before it is turned. */
const middleOf = (clusters: readonly BuiltCluster[]): HeldPoint =>
  clusters.length === 0 ? [0, 0, 0] : middleOfBox(clustersBox(clusters));

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
