import { keyHash, remark, type ByteCache, type Remark, type RunContext, type Simplifier } from '../base/index.ts';
import type { RecastStep } from '../document/index.ts';
import { textsOf } from '../lettering/index.ts';
import { faceCount, meshBytes, type PolygonMesh } from '../mesh/index.ts';
import type { Letter } from '../text/index.ts';
import { recastBody } from './recastBody.ts';
import { recastTooFine } from './recastTooFine.ts';
import type { ShapedGroup, SteppedCluster } from './shapeClusters.ts';

export interface RecastTools {
  /** meshes by the cluster's key and all steps up to theirs */
  cache: ByteCache<PolygonMesh>;
  loadSimplifier: (() => Promise<Simplifier>) | undefined;
  context: RunContext;
  faceBudget: number;
  /** of the layout */
  letters: readonly Letter[];
}

/**
 * All clusters cast anew; what they become lies in no flat layout any more. Those of which nothing would be left stay as they were, and are told.
 * How many faces it makes is only known afterwards: over the budget the step is left out. Undefined when cancelled.
 */
export async function recastClusters(
  clusters: readonly SteppedCluster[],
  step: RecastStep,
  { cache, loadSimplifier, context, faceBudget, letters }: RecastTools,
): Promise<ShapedGroup | undefined> {
  const tooFine = recastTooFine(step, clusters);
  if (tooFine) return { clusters: [...clusters], remarks: [tooFine] };
  const simplifier = step.errorMm > 0 ? await loadSimplifier?.() : undefined;
  const { id: _id, on: _on, ...values } = step;
  const made: SteppedCluster[] = [];
  const gone: SteppedCluster[] = [];
  for (const cluster of clusters) {
    const key = keyHash(`${cluster.key} | ${JSON.stringify(values)}`);
    const mesh = cache.get(key) ?? (await recastBody(cluster.mesh, step, { context, simplifier }));
    if (!mesh) return undefined;
    cache.set(key, mesh, meshBytes(mesh));
    const isGone = faceCount(mesh) === 0;
    if (isGone) gone.push(cluster);
    made.push({ ...cluster, ...(!isGone && { key, mesh }), rest: undefined });
    await context.breathe();
  }
  const faces = made.reduce((sum, { mesh }) => sum + faceCount(mesh), 0);
  if (faces > faceBudget)
    return {
      clusters: [...clusters],
      remarks: [remark('STEP_LEFT_OUT', { step: step.kind, faces, budget: faceBudget })],
    };
  return { clusters: made, remarks: vanished(gone, letters) };
}

function vanished(gone: readonly SteppedCluster[], letters: readonly Letter[]): Remark[] {
  if (gone.length === 0) return [];
  return [remark('RECAST_VANISHES', { letters: textsOf([...new Set(gone.flatMap((one) => one.letters))], letters) })];
}
