import { remark, type ByteCache, type Remark, type RunContext, type Simplifier } from '../base/index.ts';
import type { Step } from '../document/index.ts';
import type { BuiltCluster } from '../lettering/index.ts';
import { faceCount, meshBytes, type PolygonMesh } from '../mesh/index.ts';
import { applyStep, facesAfter } from '../refine/index.ts';

export interface StepRun {
  clusters: BuiltCluster[];
  /** faces that each step has left, by its id; a step that is off or was left out has none */
  faces: { id: string; faces: number }[];
  remarks: Remark[];
}

export interface StepRunTools {
  /** meshes by the cluster's key and all steps up to theirs */
  cache: ByteCache<PolygonMesh>;
  loadSimplifier: (() => Promise<Simplifier>) | undefined;
  faceBudget: number;
  context: RunContext;
}

/** All steps that are on, one after the other, body by body. A step that would go over the budget is left out and told. Undefined when cancelled. */
export async function runSteps(
  built: readonly BuiltCluster[],
  steps: readonly Step[],
  tools: StepRunTools,
): Promise<StepRun | undefined> {
  let clusters = [...built];
  const run: StepRun = { clusters, faces: [], remarks: [] };
  for (const step of steps) {
    if (!step.on) continue;
    const expected = clusters.reduce((sum, { mesh }) => sum + facesAfter(step, mesh), 0);
    if (expected > tools.faceBudget) {
      run.remarks.push(remark('STEP_LEFT_OUT', { step: step.kind, faces: expected, budget: tools.faceBudget }));
      continue;
    }
    const after = await onAll(clusters, step, tools);
    if (!after) return undefined;
    clusters = after;
    run.faces.push({ id: step.id, faces: clusters.reduce((sum, { mesh }) => sum + faceCount(mesh), 0) });
  }
  return { ...run, clusters };
}

async function onAll(
  clusters: readonly BuiltCluster[],
  step: Step,
  tools: StepRunTools,
): Promise<BuiltCluster[] | undefined> {
  const { cache, context, loadSimplifier } = tools;
  const simplifier = step.kind === 'reduce' ? await loadSimplifier?.() : undefined;
  const triangles = clusters.reduce((sum, { mesh }) => sum + mesh.faceVertices.length - 2 * faceCount(mesh), 0);
  const { id: _id, on: _on, ...values } = step;
  const name = JSON.stringify(step.kind === 'reduce' && step.by === 'count' ? { ...values, triangles } : values);
  const changed: BuiltCluster[] = [];
  for (const cluster of clusters) {
    if (context.cancelled()) return undefined;
    const key = `${cluster.key} | ${name}`;
    let mesh = cache.get(key);
    if (!mesh) {
      mesh = applyStep(cluster.mesh, step, { simplifier, triangles });
      cache.set(key, mesh, meshBytes(mesh));
    }
    changed.push({ ...cluster, key, mesh });
    await context.breathe();
  }
  return changed;
}
