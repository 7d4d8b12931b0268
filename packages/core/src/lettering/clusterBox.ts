import { aroundBoxes, boxOfPoints, EMPTY_BOX, type Box3 } from '../math/index.ts';
import type { BuiltCluster } from './builtCluster.ts';

/** Around a cluster where it stands, piece space. */
export const clusterBox = ({ mesh, x, y, z }: BuiltCluster): Box3 => boxOfPoints(mesh.positions, [x, y, z]);

export const clustersBox = (clusters: readonly BuiltCluster[]): Box3 =>
  clusters.map(clusterBox).reduce(aroundBoxes, EMPTY_BOX);
