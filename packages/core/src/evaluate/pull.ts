import { shortKeyOf, spelled } from '../base/index.ts';
import type { Piece, Project } from '../document/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import type { PointRows } from '../shape/index.ts';
import { chainOf, isMoving, type MovingStep } from '../steps/index.ts';
import type { EngineParts, EvaluateRun } from './engineParts.ts';
import type { Evaluated } from './evaluated.ts';
import { ontoOf, transformOf, type Under } from './ground.ts';
import { ontoToolsOf } from './ontoTools.ts';
import type { Pull } from './pullable.ts';
import { laidBy, type SteppedCluster } from './shapeClusters.ts';
import { valuesOfStep } from './stages/refine.ts';

/** All that a piece is made of but for the values of some of its steps: what only those tell apart only moves. */
export const pullSubject = (
  { faceBudget }: Project,
  { source, body, steps }: Piece,
  { under, seconds, cut, pulled }: { under: Under; pulled: readonly string[] } & Pick<EvaluateRun, 'seconds' | 'cut'>,
): string => {
  const rest = steps.map((step) => (pulled.includes(step.id) ? [step.id, step.kind, step.on] : step));
  return spelled([seconds, source, body, rest, faceBudget, under.key, cut?.key, cut?.isSmooth]);
};

interface PullTools {
  under: Under;
  run: EvaluateRun;
  parts: EngineParts;
}

/**
 * A piece with other values of its last shape steps, while they are pulled: the faces of the last exact mesh, moved.
 * What is told stays as it was until the hand rests.
 */
export function pulledPiece(last: Evaluated, pull: Pull, piece: Piece, { under, run, parts }: PullTools): Evaluated {
  const steps = piece.steps.filter((step): step is MovingStep => pull.steps.includes(step.id) && isMoving(step));
  const tools = {
    ...ontoToolsOf(piece, pull.lines, run, { under, maps: parts.grounds.maps }),
    together: pull.together,
  };
  const chain = chainOf(steps, { ...pull.frame, seconds: run.seconds, onto: ontoOf(tools) });
  // the field stays that of the last exact mesh, and so do its ways
  pull.rows.forEach((rows) => (rows.outward ??= chain.outwardOf(rows)));
  const by = spelled(steps.map(valuesOfStep));
  const clusters = pull.clusters.map((cluster, i): SteppedCluster => {
    const like = cluster.key;
    return {
      ...cluster,
      key: shortKeyOf('pulled', [like, by]),
      pulled: { like, by },
      mesh: moved(cluster.mesh, chain, pull.rows[i]),
    };
  });
  const onto = laidBy(chain, tools);
  return {
    ...last,
    clusters,
    transform: transformOf(piece, clusters, under),
    onto: onto && { ...onto, report: last.onto?.report },
    built: { ...last.built, wavefronts: 0, lifted: 0 },
  };
}

function moved(mesh: PolygonMesh, chain: ReturnType<typeof chainOf>, rows: PointRows): PolygonMesh {
  const positions = new Float64Array(3 * rows.count);
  chain.fill(rows, positions);
  return { ...mesh, positions };
}
