import { keyOf, ok, ownEntry, remark, type Result } from '../base/index.ts';
import {
  cutsOf,
  hasOwnStep,
  isOwnStand,
  pieceName,
  originalOf,
  standsInOrder,
  type Piece,
  type Project,
} from '../document/index.ts';
import { STILL } from '../math/index.ts';
import type { Beside } from './beside.ts';
import { cutterOf, forLaying } from './cutter.ts';
import type { EngineParts, EvaluateRun } from './engineParts.ts';
import { frameAlong } from './frames.ts';
import { asSeenBy, circleThrough, forPanel, nothingUnder, type Under } from './ground.ts';

export interface UnderTools {
  parts: EngineParts;
  run: EvaluateRun;
  beside: Beside;
}

/** The pieces that a piece stands on, computed, and what is told of those it can't stand on. */
export async function underOf(
  project: Project,
  piece: Piece,
  { parts, run, beside }: UnderTools,
): Promise<Result<Under>> {
  const source = originalOf(project, piece);
  const asked = standsInOrder(piece);
  const own = asked.at(-1);
  const last = own && isOwnStand(source, piece, own) ? own.stepId : undefined;
  const under: Under = { key: '', grounds: new Map(), last, frame: STILL, lines: {}, cutters: new Map(), remarks: [] };
  for (const one of asked) {
    const { stepId, targetId } = one;
    const circle = circleThrough(project, piece.id, one);
    if (!ownEntry(project.pieces, targetId)) under.remarks.push(nothingUnder(piece, stepId));
    else if (circle)
      under.remarks.push(
        remark('ONTO_CYCLE', { stepId, pieces: circle.map((one) => one.name || pieceName(one)).join(', ') }),
      );
    else {
      // what is laid as its source is finds what that finds
      const { id } = source && !isOwnStand(source, piece, one) ? source : piece;
      const ground = await beside(forPanel(forLaying(project, id, targetId), id, one), targetId);
      if (!ground.ok) return ground;
      if (ground.value.clusters.length === 0) under.remarks.push(nothingUnder(piece, stepId));
      else under.grounds.set(stepId, asSeenBy(piece, stepId, parts.grounds.of(ground.value)));
    }
  }
  if (last === undefined || !under.grounds.has(last)) {
    const along = await frameAlong(project, piece, { beside });
    if (!along.ok) return along;
    under.frame = along.value.frame;
    under.remarks.push(...along.value.remarks);
  }
  const found = parts.edges.of(piece, under);
  under.lines = found.lines;
  under.remarks.push(...found.remarks);
  for (const step of cutsOf(piece).filter((one) => one.on)) {
    const as = source && !hasOwnStep(source, piece, step.id) ? inPlaceOf(project, piece, source) : { project, piece };
    const cutter = await cutterOf(as.project, as.piece, step, {
      evaluate: beside,
      targetOf: (evaluated) => parts.grounds.of(evaluated).target,
      looks: !run.preview,
    });
    if (!cutter.ok) return cutter;
    if (cutter.value) under.cutters.set(step.id, cutter.value);
    else under.remarks.push(remark('CUT_NOTHING', { stepId: step.id }));
  }
  under.key = keyOf('under', [[...under.grounds, ...under.cutters].map(([id, { key }]) => [id, key]), under.remarks]);
  return ok(under);
}

/** A copy where its source stands: what cuts the source cuts each copy alike. */
function inPlaceOf(project: Project, copy: Piece, source: Piece): { project: Project; piece: Piece } {
  const { placement, within, hung } = source;
  const piece = { ...copy, placement, within, hung };
  return { project: { ...project, pieces: { ...project.pieces, [copy.id]: piece } }, piece };
}
