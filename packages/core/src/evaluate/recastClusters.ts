import type { ByteCache, RunContext, Simplifier } from '../base/index.ts';
import type { RecastStep } from '../document/index.ts';
import { meshBytes, type PolygonMesh } from '../mesh/index.ts';
import { recastBody } from './recastBody.ts';
import { recastTooFine } from './recastTooFine.ts';
import type { ShapedGroup, SteppedCluster } from './shapeClusters.ts';

export interface RecastTools {
  /** meshes by the cluster's key and all steps up to theirs */
  cache: ByteCache<PolygonMesh>;
  loadSimplifier: (() => Promise<Simplifier>) | undefined;
  context: RunContext;
}

/** All clusters cast anew; what they become lies in no flat layout any more. Undefined when cancelled. */
export async function recastClusters(
  clusters: readonly SteppedCluster[],
  step: RecastStep,
  { cache, loadSimplifier, context }: RecastTools,
): Promise<ShapedGroup | undefined> {
  const tooFine = recastTooFine(step, clusters);
  if (tooFine) return { clusters: [...clusters], remarks: [tooFine] };
  const simplifier = step.errorMm > 0 ? await loadSimplifier?.() : undefined;
  const { id: _id, on: _on, ...values } = step;
  const made: SteppedCluster[] = [];
  for (const cluster of clusters) {
    const key = `${cluster.key} | ${JSON.stringify(values)}`;
    const mesh = cache.get(key) ?? (await recastBody(cluster.mesh, step, { context, simplifier }));
    if (!mesh) return undefined;
    cache.set(key, mesh, meshBytes(mesh));
    made.push({ ...cluster, key, mesh, rest: undefined });
    await context.breathe();
  }
  return { clusters: made, remarks: [] };
}
