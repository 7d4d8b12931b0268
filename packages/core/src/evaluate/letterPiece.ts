import { counted, fail, type Result } from '../base/index.ts';
import { isWords, type LetteringPiece, type Project } from '../document/index.ts';
import { buildLettering, type NeedOf } from '../lettering/index.ts';
import type { Layout } from '../text/index.ts';
import type { EngineParts, EvaluateRun } from './engineParts.ts';
import type { Evaluated } from './evaluated.ts';
import { finishPiece } from './finishPiece.ts';
import { isLaidOnNothing, ontoOf, type Under } from './ground.ts';
import { extentFault } from './heldBack.ts';
import { layOut } from './layOut.ts';
import { ontoToolsOf } from './ontoTools.ts';
import { pieceShape } from './pieceShape.ts';
import { shapeNeed } from './shapeNeed.ts';
import { needRemarks } from './shapeRemarks.ts';

export interface PieceTools {
  run: EvaluateRun;
  under: Under;
  parts: EngineParts;
}

/** Words or a drawing, then its steps. */
export async function letterPiece(
  project: Project,
  piece: LetteringPiece,
  { run, under, parts }: PieceTools,
): Promise<Result<Evaluated>> {
  const { log } = parts.tools;
  const laid = await counted(log, 'layout', () => layOut(piece, parts.fonts));
  if (!laid.ok) return laid;
  const { layout } = laid.value;
  const tooLarge = extentFault(piece, layout);
  if (tooLarge) return tooLarge;
  const { toleranceMm } = piece.body.faces;
  const lettering = await buildLettering(
    layout,
    {
      ...(run.cut ? run.cut.change(pieceShape(piece)) : pieceShape(piece)),
      depthAnchor: run.cut?.behindMm === undefined ? piece.source.depthAnchor : { behindMm: run.cut.behindMm },
      toleranceMm,
      apart: isWords(piece) && piece.source.letters === 'apart',
      uv: run.uv,
      seed: parts.tools.seed ?? 1,
      needOf: needOf(piece, layout, { run, under, parts }),
      faceBudget: project.faceBudget,
    },
    { caches: parts.lettering, context: run.context },
  );
  if (!lettering) return fail('CANCELLED', {});
  const remarks = [...laid.value.remarks, ...lettering.remarks, ...needRemarks(lettering.need, project.faceBudget)];
  return finishPiece(project, piece, { ...run, ...laid.value, ...lettering, under, remarks }, { parts });
}

/** A preview takes what the last exact evaluation needed, as long as that was of as many letters. */
function needOf(piece: LetteringPiece, layout: Layout, { run, under, parts }: PieceTools): NeedOf | undefined {
  const { toleranceMm } = piece.body.faces;
  const { seconds, preview } = run;
  if (piece.body.faces.shaped === 'own') return undefined;
  const onto = ontoOf(ontoToolsOf(piece, layout, run, { under, maps: parts.grounds.maps }), true);
  const exact = shapeNeed(piece.steps, {
    letters: layout.letters,
    toleranceMm,
    seconds,
    onto,
    isLaidOnNothing: isLaidOnNothing(piece.steps, under.grounds),
    tools: { needs: parts.needs, crew: run.context.crew, log: parts.tools.log },
  });
  if (!exact) return undefined;
  return async (boxes, members) => {
    const name = run.keptAs ?? piece.id;
    const last = preview ? parts.lastNeeds.get(name) : undefined;
    const needs = last?.length === boxes.length ? last : await exact(boxes, members);
    parts.lastNeeds.set(name, needs, 1);
    return needs;
  };
}
