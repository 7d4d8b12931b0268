import { keptBy } from '../base/index.ts';
import type { Group, Pivot, Placement } from '../document/index.ts';
import { clustersBox, letterBox, type BuiltCluster } from '../lettering/index.ts';
import {
  isEmptyBox,
  transformPoints,
  turnAndSize,
  type Box3,
  type Transform,
  turnOf,
  type Vec3,
} from '../math/index.ts';
import type { Letter } from '../text/index.ts';

/** What a piece has become, in its own space. */
export interface BuiltShape {
  clusters: readonly BuiltCluster[];
  letters: readonly Pick<Letter, 'id'>[];
}

/**
 * Where a piece stands in what it hangs on, is grouped in, or in the scene. A piece on the table is let down until its
 * lowest point lies there, whatever its words have become.
 */
export function pieceTransform(placement: Placement, shape: BuiltShape): Transform {
  const { pivot, stand, atMm } = placement;
  const { rows, move } = about(pivotPlace(pivot, shape), placement);
  if (stand === 'free') return { rows, move };
  return { rows, move: [move[0], atMm[1] - lowestPoint(rows, shape.clusters), move[2]] };
}

/** Where a group stands in what it hangs on, is grouped in, or in the scene. */
export const groupTransform = (placement: Group['placement']): Transform => about(placement.pivotMm, placement);

/** Sized and turned about a place, which comes to `atMm`. */
function about(
  [x, y, z]: Vec3,
  { atMm, turnDegrees, sizePercent }: Pick<Placement, 'atMm' | 'turnDegrees' | 'sizePercent'>,
): Transform {
  const turned = turnSaid(turnDegrees);
  const rows = sizePercent === 100 ? turned : turned.map((v) => (v * sizePercent) / 100);
  const move = [0, 3, 6].map((r, k) => atMm[k] - (rows[r] * x + rows[r + 1] * y + rows[r + 2] * z));
  return { rows, move: move as unknown as Vec3 };
}

/** What is said of many pieces again and again. */
const turnSaid = keptBy(turnOf);

const ZERO: Vec3 = [0, 0, 0];

/** Where a pivot is, in the piece's own space, mm; zero where there is nothing that it is a place of. */
export function pivotPlace(pivot: Pivot, { clusters, letters }: BuiltShape): Vec3 {
  if (pivot.kind === 'zero') return ZERO;
  if (pivot.kind === 'point') return pivot.pointMm;
  const box =
    pivot.kind === 'box'
      ? clustersBox(clusters)
      : letterBox(
          clusters,
          letters.findIndex(({ id }) => id === pivot.letter),
        );
  return isEmptyBox(box) ? ZERO : spotOf(box, pivot);
}

type BoxSpot = Pick<Extract<Pivot, { kind: 'box' }>, 'across' | 'up' | 'deep'>;

/** One of the 27 places of a box. */
export function spotOf({ low, high }: Box3, { across, up, deep }: BoxSpot): Vec3 {
  const at = (k: number, name: string, least: string): number =>
    name === 'middle' ? (low[k] + high[k]) / 2 : name === least ? low[k] : high[k];
  return [at(0, across, 'left'), at(1, up, 'foot'), at(2, deep, 'back')];
}

/** What is said of a place, so that something with a pivot in its own space stands as it does. */
export function standingAs(
  transform: Transform,
  pivotMm: Vec3,
): Pick<Placement, 'atMm' | 'turnDegrees' | 'sizePercent'> {
  const [x, y, z] = transformPoints(transform, Float64Array.from(pivotMm));
  return { ...turnAndSize(transform), atMm: [x, y, z] };
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
