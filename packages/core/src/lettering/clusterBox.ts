import { keptBy } from '../base/index.ts';
import { aroundBoxes, boxOfPoints, EMPTY_BOX, plus, type Box3 } from '../math/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import type { BuiltCluster } from './builtCluster.ts';

const meshBox = keptBy(({ positions }: PolygonMesh) => boxOfPoints(positions));

/** Around a cluster where it stands, piece space. */
export function clusterBox({ mesh, x, y, z }: BuiltCluster): Box3 {
  const { low, high } = meshBox(mesh);
  return { low: plus(low, [x, y, z]), high: plus(high, [x, y, z]) };
}

export const clustersBox = (clusters: readonly BuiltCluster[]): Box3 =>
  clusters.map(clusterBox).reduce(aroundBoxes, EMPTY_BOX);
