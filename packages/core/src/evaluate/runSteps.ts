import { remark, type Remark, type RunContext, type Simplifier } from '../base/index.ts';
import type { BuiltCluster } from '../lettering/index.ts';
import { faceCount, type PolygonMesh } from '../mesh/index.ts';
import {
  isCasting,
  isCut,
  isCutting,
  isMoving,
  isRefining,
  isRepeating,
  refiningOf,
  type CutStep,
  type CuttingStep,
  type MovingStep,
  type RefineStep,
  type Step,
} from '../steps/index.ts';
import { recastClusters } from './recastClusters.ts';
import { valuesOfStep } from './stages/refine.ts';
import type { MeshMemos } from './meshMemos.ts';
import type { Letter } from '../text/index.ts';
import type { OntoTools } from './ground.ts';
import type { Laid } from './ontoReport.ts';
import {
  repeatClusters,
  shapeClusters,
  type Pullable,
  type ShapedGroup,
  type ShapedMeshes,
  type SteppedCluster,
} from './shapeClusters.ts';

export interface StepRun {
  clusters: BuiltCluster[];
  /** faces that each step has left, by its id; a step that is off or was left out has none */
  faces: { id: string; faces: number }[];
  remarks: Remark[];
  /** of a piece that was laid onto another */
  onto?: Laid;
  /** where shape steps come last */
  pull?: Pullable;
}

export interface StepRunTools {
  refined: MeshMemos;
  shaped: ShapedMeshes;
  loadSimplifier: (() => Promise<Simplifier>) | undefined;
  faceBudget: number;
  context: RunContext;
  /** of the layout */
  letters: readonly Letter[];
  seconds: number;
  /** a preview: faces stay as they are, and nothing is looked for */
  rough: boolean;
  /**
   * flat edges that stray farther from what shape steps make of them are cut; undefined: a person has chosen the faces
   */
  toleranceMm: number | undefined;
  /** how near chords lie to their curves */
  drawnMm: number;
  /** faces stay as they are, which is told where they stray */
  keepsFaces: boolean;
  /** what pieces are laid onto; undefined: none is */
  onto: OntoTools | undefined;
  /** what another piece makes of this one */
  cut(clusters: readonly SteppedCluster[], step: CuttingStep): Promise<ShapedGroup | undefined>;
}

/** What the rows before have left. */
interface RowTools {
  earlier: readonly MovingStep[];
  isCrisp: boolean;
}

/**
 * All steps that are on, one after the other; shape steps in a row as one. A step that would go over the budget is left
 * out and told. Undefined when cancelled.
 */
export async function runSteps(
  built: readonly BuiltCluster[],
  steps: readonly Step[],
  tools: StepRunTools,
): Promise<StepRun | undefined> {
  let clusters: SteppedCluster[] = [...built];
  let earlier: readonly MovingStep[] = [];
  let isCrisp = false;
  const run: StepRun = { clusters, faces: [], remarks: [] };
  for (const row of inRows(steps.filter(acts))) {
    const [step] = row;
    const expected = expectedAfter(step, clusters);
    if (expected > tools.faceBudget) {
      run.remarks.push(remark('STEP_LEFT_OUT', { step: step.kind, faces: expected, budget: tools.faceBudget }));
      continue;
    }
    const after = await onRow(clusters, row, { ...tools, earlier, isCrisp });
    if (!after) return undefined;
    isCrisp ||= isRefining(step) && refiningOf(step).makesCrisp === true;
    // what a cut or a casting has made lies in no flat layout any more
    earlier = after.clusters.some(({ mesh }) => mesh.rest) ? [...earlier, ...row.filter(isMoving)] : [];
    clusters = after.clusters;
    run.remarks.push(...after.remarks);
    run.onto ??= after.onto;
    run.pull = after.pull;
    const faces = clusters.reduce((sum, { mesh }) => sum + faceCount(mesh), 0);
    run.faces.push(...row.map(({ id }) => ({ id, faces })));
  }
  return { ...run, clusters: clusters.map(({ copied: _, ...cluster }) => cluster) };
}

type ActingStep = Exclude<Step, CutStep> | CuttingStep;
/** On, and no mere lying. */
const acts = (step: Step): step is ActingStep => step.on && (!isCut(step) || isCutting(step));

/** Shape steps in a row together, every other step and what repeats alone. */
function inRows(steps: readonly ActingStep[]): ActingStep[][] {
  const rows: ActingStep[][] = [];
  for (const step of steps) {
    const last = rows[rows.length - 1];
    if (isMoving(step) && last && isMoving(last[0])) last.push(step);
    else rows.push([step]);
  }
  return rows;
}

function expectedAfter(step: Step, clusters: readonly SteppedCluster[]): number {
  const sum = (count: (mesh: PolygonMesh) => number): number => clusters.reduce((n, { mesh }) => n + count(mesh), 0);
  if (isRepeating(step)) return sum(faceCount) * step.count;
  if (isCasting(step)) return sum(faceCount);
  return isRefining(step) ? sum((mesh) => refiningOf(step).facesAfter?.(step, mesh) ?? faceCount(mesh)) : 0;
}

async function onRow(
  clusters: readonly SteppedCluster[],
  row: readonly ActingStep[],
  tools: StepRunTools & RowTools,
): Promise<ShapedGroup | undefined> {
  const [step] = row;
  if (isRepeating(step)) return { clusters: repeatClusters(clusters, step), remarks: [] };
  if (isMoving(step)) return shapeClusters(clusters, row as MovingStep[], tools);
  if (isCut(step)) return tools.cut(clusters, step);
  if (isCasting(step)) return recastClusters(clusters, step, { ...tools, memo: tools.refined.recast });
  const made = await onAll(clusters, step, tools);
  return made && { clusters: made, remarks: shortOf(step, trianglesOf(clusters), trianglesOf(made)) };
}

const trianglesOf = (clusters: readonly SteppedCluster[]): number =>
  clusters.reduce((sum, { mesh }) => sum + mesh.faceVertices.length - 2 * faceCount(mesh), 0);

/** Of the number asked for: more than that is told. */
const NEAR_ENOUGH = 1.05;

/** Reducing that could not go as far as it should. */
function shortOf(step: RefineStep, before: number, left: number): Remark[] {
  const asked = refiningOf(step).asked?.(step, before);
  if (asked === undefined || left <= NEAR_ENOUGH * asked || asked >= before) return [];
  return [remark('REDUCE_SHORT', { stepId: step.id, asked, left, percent: (100 * left) / before })];
}

async function onAll(
  clusters: readonly SteppedCluster[],
  step: RefineStep,
  tools: StepRunTools & RowTools,
): Promise<SteppedCluster[] | undefined> {
  const { refined, context, loadSimplifier, isCrisp } = tools;
  const { isSharedOut, needsSimplifier } = refiningOf(step);
  const simplifier = needsSimplifier ? await loadSimplifier?.() : undefined;
  const triangles = isSharedOut?.(step) ? trianglesOf(clusters) : undefined;
  const changed: SteppedCluster[] = [];
  for (const cluster of clusters) {
    if (context.cancelled()) return undefined;
    const from = { key: cluster.key, of: cluster.mesh };
    const made = await refined.refine.get({ mesh: from, step: valuesOfStep(step), isCrisp, triangles }, { simplifier });
    if (!made) return undefined;
    const { key, of: mesh } = made;
    changed.push({ ...cluster, key, mesh });
    await context.breathe();
  }
  return changed;
}
