import { findCrossings, trianglesWithArea } from '../check/index.ts';
import { triangulate } from '../mesh/index.ts';
import { assemble } from './assemble.ts';
import type { BuiltCluster } from './builtCluster.ts';

/** Enough to name the letters by. */
const PAIRS_LOOKED_FOR = 5000;

/** Layout letters of clusters whose faces cross, their own or another's. */
export function crossingLetters(clusters: readonly BuiltCluster[], cancelled: () => boolean): number[] {
  const mesh = assemble(clusters);
  const triangles = triangulate(mesh);
  const options = { limit: PAIRS_LOOKED_FOR, cancelled };
  const { faces } = findCrossings(mesh, triangles, trianglesWithArea(mesh, triangles), options);
  return [...new Set(Array.from(faces, (face) => mesh.regions[mesh.region[face]].letter))].sort((a, b) => a - b);
}
