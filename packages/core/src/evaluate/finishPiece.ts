import { fail, ok, type Remark, type Result } from '../base/index.ts';
import { isLettering, type Piece, type Project } from '../document/index.ts';
import { facesAsked, isAutomatic } from '../faces/index.ts';
import { clustersBox, type BuiltCluster, type LetteringStats, type NeedReport } from '../lettering/index.ts';
import { faceCount } from '../mesh/index.ts';
import type { CuttingStep } from '../steps/index.ts';
import type { Layout } from '../text/index.ts';
import type { EngineParts, EvaluateRun } from './engineParts.ts';
import type { Evaluated } from './evaluated.ts';
import { missed, transformOf, type Under } from './ground.ts';
import { ontoToolsOf, type LaidLines } from './ontoTools.ts';
import { frontOf } from './pieceShape.ts';
import { runSteps, type StepRun } from './runSteps.ts';
import { meshRows } from '../shape/index.ts';
import type { ShapedGroup } from './shapeClusters.ts';
import { shapeCrossings } from './shapeRemarks.ts';

/** A piece before its steps. */
export interface BuiltPiece extends EvaluateRun {
  under: Under;
  remarks: Remark[];
  clusters: BuiltCluster[];
  layout: LaidLines & Pick<Layout, 'letters'>;
  heights: { up: number; down: number };
  built: LetteringStats;
  need?: NeedReport;
  paints?: Evaluated['paints'];
}

/** The steps, and where all of it stands. */
export async function finishPiece(
  project: Project,
  piece: Piece,
  built: BuiltPiece,
  { parts }: { parts: EngineParts },
): Promise<Result<Evaluated>> {
  const { clusters, layout, heights, under, remarks, context } = built;
  const run = await stepsOf(project, piece, built, { parts });
  if (!run) return fail('CANCELLED', {});
  const crossing = built.crossings
    ? shapeCrossings(piece, run.clusters, { letters: layout.letters, context, told: run.remarks })
    : [];
  return ok({
    pieceId: piece.id,
    clusters: run.clusters,
    letters: layout.letters,
    frame: under.frame,
    transform: transformOf(piece, { clusters: run.clusters, letters: layout.letters }, under),
    line: { ...heights, baselines: layout.baselines, front: frontOf(piece) },
    remarks: [...remarks, ...under.remarks, ...run.remarks, ...missed(under, run.onto, piece), ...crossing],
    need: built.need,
    onto: run.onto,
    paints: built.paints,
    ground: run.onto && under.grounds.get(run.onto.stepId)?.target,
    lines: under.lines,
    flat: clusters.length > 0 ? clustersBox(clusters) : undefined,
    built: built.built,
    bodyFaces: clusters.reduce((sum, { mesh }) => sum + faceCount(mesh), 0),
    stepFaces: run.faces,
    pull: run.pull && { ...run.pull, lines: layout, rows: run.pull.shaped.map(meshRows) },
  });
}

function stepsOf(
  project: Project,
  piece: Piece,
  built: BuiltPiece,
  { parts }: { parts: EngineParts },
): Promise<StepRun | undefined> {
  const { layout, seconds, preview, context, under } = built;
  const { toleranceMm } = piece.body.faces;
  const keepsFaces = piece.body.faces.shaped === 'own';
  const isFine = !keepsFaces && (!isLettering(piece) || isAutomatic(facesAsked(piece.body.faces)));
  return runSteps(built.clusters, piece.steps, {
    refined: parts.refined,
    shaped: parts.shaped,
    loadSimplifier: parts.tools.kernels.loadSimplifier,
    faceBudget: project.faceBudget,
    context,
    letters: layout.letters,
    seconds,
    toleranceMm: isFine && !preview ? toleranceMm : undefined,
    drawnMm: toleranceMm,
    keepsFaces,
    onto: ontoToolsOf(piece, layout, built, { under, maps: parts.grounds.maps }),
    rough: preview,
    cut: (row, step) => cutBy(row, step, under, parts),
  });
}

async function cutBy(
  clusters: readonly BuiltCluster[],
  step: CuttingStep,
  under: Under,
  { cuts, tools }: EngineParts,
): Promise<ShapedGroup | undefined> {
  const cutter = under.cutters.get(step.id);
  if (!cutter) return { clusters: [...clusters], remarks: [] };
  return cuts.cut(clusters, step, cutter, tools.kernels);
}
