import { LIMITS, type Named, type QuickStage } from '../../base/index.ts';
import { assemble, type BuiltCluster } from '../../lettering/index.ts';
import { Target } from '../../surface/index.ts';

/** Corners, normals and the tree. */
const BYTES_OF_TRIANGLE = 300;
/** Enough for the largest model that is taken: built anew for every letter typed, it would be of no use. */
export const TARGET_BYTES = LIMITS.modelFaces * BYTES_OF_TRIANGLE;

/** What pieces are laid onto. */
export const TARGET: QuickStage<{ clusters: Named<readonly BuiltCluster[]> }, unknown, Target> = {
  name: 'target',
  make: ({ clusters }) => new Target(assemble(clusters.of)),
  bytesOf: ({ triangles }) => BYTES_OF_TRIANGLE * triangles,
};
