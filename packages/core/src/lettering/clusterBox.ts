import { keptBy } from '../base/index.ts';
import { aroundBoxes, boxOfPoints, EMPTY_BOX, plus, type Box3, type Vec3 } from '../math/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import type { BuiltCluster } from './builtCluster.ts';

export const meshBox = keptBy(({ positions }: PolygonMesh) => boxOfPoints(positions));

/** Around a cluster where it stands, piece space. */
export function clusterBox({ mesh, x, y, z }: BuiltCluster): Box3 {
  const { low, high } = meshBox(mesh);
  return { low: plus(low, [x, y, z]), high: plus(high, [x, y, z]) };
}

export const clustersBox = (clusters: readonly BuiltCluster[]): Box3 =>
  clusters.map(clusterBox).reduce(aroundBoxes, EMPTY_BOX);

/** Around one letter of the layout, by its number, piece space; empty where it has no faces. */
export const letterBox = (clusters: readonly BuiltCluster[], letter: number): Box3 =>
  clusters
    .filter(({ letters }) => letters.includes(letter))
    .map((cluster) =>
      cluster.letters.length === 1 ? clusterBox(cluster) : shareBox(cluster, cluster.letters.indexOf(letter)),
    )
    .reduce(aroundBoxes, EMPTY_BOX);

/** Around the faces of one of several letters that have become one mesh. */
function shareBox({ mesh, x, y, z }: BuiltCluster, own: number): Box3 {
  const low: Vec3 = [...EMPTY_BOX.low];
  const high: Vec3 = [...EMPTY_BOX.high];
  const { positions: p, faceStart, faceVertices, region, regions } = mesh;
  for (let f = 0; f < region.length; f++) {
    if (regions[region[f]].letter !== own) continue;
    for (let c = faceStart[f]; c < faceStart[f + 1]; c++)
      for (let k = 0; k < 3; k++) {
        const v = p[3 * faceVertices[c] + k];
        low[k] = Math.min(low[k], v);
        high[k] = Math.max(high[k], v);
      }
  }
  return { low: plus(low, [x, y, z]), high: plus(high, [x, y, z]) };
}
