import type { RecastStep } from '../steps/index.ts';
import type { RunContext, Simplifier } from '../base/index.ts';
import { adjacency, type PolygonMesh } from '../mesh/index.ts';
import { reduce } from '../refine/index.ts';
import { recast } from '../voxel/index.ts';

/**
 * Made anew over a grid, then with fewer triangles where a simplifier is handed in, unless that opened it. Undefined
 * when cancelled.
 */
export async function recastBody(
  mesh: PolygonMesh,
  step: RecastStep,
  { context, simplifier }: { context: RunContext; simplifier: Simplifier | undefined },
): Promise<PolygonMesh | undefined> {
  const made = await recast(mesh, step, context);
  if (!made || !simplifier) return made;
  const fewer = reduce(made, { errorMm: step.errorMm }, simplifier);
  const { openEdges, badEdges } = adjacency(fewer);
  return openEdges + badEdges === 0 ? fewer : made;
}
