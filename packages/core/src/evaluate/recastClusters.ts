import type { RecastStep } from '../steps/index.ts';
import { keyOf, remark, type Remark, type RunContext, type Simplifier } from '../base/index.ts';
import { textsOf } from '../lettering/index.ts';
import { faceCount, type PolygonMesh } from '../mesh/index.ts';
import type { Letter } from '../text/index.ts';
import { losses, type Losses } from '../voxel/index.ts';
import type { MeshMemos } from './meshMemos.ts';
import { valuesOfStep } from './stages/refine.ts';
import { recastTooFine } from './recastTooFine.ts';
import type { ShapedGroup, SteppedCluster } from './shapeClusters.ts';

export interface RecastTools {
  memo: MeshMemos['recast'];
  loadSimplifier: (() => Promise<Simplifier>) | undefined;
  context: RunContext;
  faceBudget: number;
  /** of the layout */
  letters: readonly Letter[];
}

/**
 * All clusters cast anew; what they become lies in no flat layout any more. Those of which nothing would be left stay
 * as they were, and are told. How many faces it makes is only known afterwards: over the budget the step is left out.
 * Undefined when cancelled.
 */
export async function recastClusters(
  clusters: readonly SteppedCluster[],
  step: RecastStep,
  { memo, loadSimplifier, context, faceBudget, letters }: RecastTools,
): Promise<ShapedGroup | undefined> {
  const tooFine = recastTooFine(step, clusters);
  if (tooFine) return { clusters: [...clusters], remarks: [tooFine] };
  const simplifier = step.errorMm > 0 ? await loadSimplifier?.() : undefined;
  const made: SteppedCluster[] = [];
  const lost: Lost[] = [];
  const gone: SteppedCluster[] = [];
  for (const cluster of clusters) {
    const from = { key: cluster.key, of: cluster.mesh };
    const cast = await memo.get({ mesh: from, step: valuesOfStep(step) }, { context, simplifier });
    if (!cast) return undefined;
    const { key, of: mesh } = cast;
    const isGone = faceCount(mesh) === 0;
    if (isGone) gone.push(cluster);
    else lost.push({ cluster, ...lossesOf(cluster.mesh, mesh, step) });
    made.push(isGone ? unshaped(cluster) : { ...cluster, key, mesh });
    await context.breathe();
  }
  const faces = made.reduce((sum, { mesh }) => sum + faceCount(mesh), 0);
  if (faces > faceBudget)
    return {
      clusters: [...clusters],
      remarks: [remark('STEP_LEFT_OUT', { step: step.kind, faces, budget: faceBudget })],
    };
  return { clusters: made, remarks: [...vanished(gone, letters), ...lostRemarks(lost, step, letters)] };
}

/** What stays as it was lies in no flat layout either, as all that was cast. */
function unshaped(cluster: SteppedCluster): SteppedCluster {
  const { rest: _, ...mesh } = cluster.mesh;
  return { ...cluster, key: keyOf('unshaped', [cluster.key]), mesh };
}

interface Lost extends Losses {
  cluster: SteppedCluster;
}

const known = new WeakMap<PolygonMesh, Losses>();

/** By what it became: meshes are kept while they are of use. */
function lossesOf(old: PolygonMesh, mesh: PolygonMesh, step: RecastStep): Losses {
  const found = known.get(mesh) ?? losses(old, mesh, step);
  known.set(mesh, found);
  return found;
}

/** Of strokes that are gone and of hollows that are filled: whose they are, and the first place. */
function lostRemarks(lost: readonly Lost[], { id, sizeMm, thickMm }: RecastStep, letters: readonly Letter[]): Remark[] {
  return (['gone', 'filled'] as const).flatMap((what) => {
    const rows = lost.flatMap((one) => one[what].map((place) => ({ place, cluster: one.cluster })));
    if (rows.length === 0) return [];
    const [{ place, cluster }] = rows;
    const whose = rows.map((row) => row.cluster.letters[row.cluster.mesh.regions[row.place.region].letter] ?? -1);
    const of = [...new Set(whose)].filter((letter) => letter >= 0 && letter < letters.length);
    // what is to be thick closes hollows on purpose
    const finer = what === 'gone' || thickMm === 0 ? { finerMm: Number((sizeMm / 2).toPrecision(2)) } : {};
    const [xMm, yMm, zMm] = [cluster.x, cluster.y, cluster.z].map((zero, k) => zero + place.at[k]);
    return [remark('RECAST_LOSES', { stepId: id, what, letters: textsOf(of, letters), xMm, yMm, zMm, ...finer })];
  });
}

function vanished(gone: readonly SteppedCluster[], letters: readonly Letter[]): Remark[] {
  if (gone.length === 0) return [];
  return [remark('RECAST_VANISHES', { letters: textsOf([...new Set(gone.flatMap((one) => one.letters))], letters) })];
}
