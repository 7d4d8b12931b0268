import { keyOf, type Remark, type Result } from '../base/index.ts';
import { AROUND, isForm, isModel, type Piece, type Project } from '../document/index.ts';
import type { BuiltCluster } from '../lettering/index.ts';
import { formCluster, modelCluster, modelRemarks } from './bodySource.ts';
import type { Evaluated } from './evaluated.ts';
import { finishPiece, type BuiltPiece } from './finishPiece.ts';
import type { PieceTools } from './letterPiece.ts';

/** A form or a model, then its steps. */
export async function bodyPiece(
  project: Project,
  piece: Piece,
  { run, under, parts }: PieceTools,
): Promise<Result<Evaluated>> {
  const around = under.grounds.get(AROUND);
  const remarks: Remark[] = [];
  let cluster: BuiltCluster | undefined;
  let painted: Evaluated['paints'];
  if (isForm(piece)) cluster = formCluster(piece, around?.box, parts.bodies);
  else if (isModel(piece)) {
    const { loadModel = (): Promise<undefined> => Promise.resolve(undefined), kernels } = parts.tools;
    const model = await modelCluster(piece, parts.bodies, { loadModel, loadUnpacker: kernels.loadUnpacker });
    if (!model.ok) return model;
    const { key, mesh, x, y, z, letters, paints } = model.value;
    painted = paints && { key: keyOf('paints', key), ...paints };
    remarks.push(...modelRemarks(model.value, { isClosed: piece.source.closed, steps: piece.steps }));
    cluster = { key, mesh, x, y, z, letters };
  }
  const built: BuiltPiece = {
    ...run,
    under,
    remarks,
    clusters: cluster ? [cluster] : [],
    paints: painted,
    layout: { letters: [], baselines: [], emMm: 0, capMm: 0 },
    heights: { up: 0, down: 0 },
    built: { clusters: 1, wavefronts: 0, lifted: 0 },
    need: undefined,
  };
  return finishPiece(project, piece, built, { parts });
}
