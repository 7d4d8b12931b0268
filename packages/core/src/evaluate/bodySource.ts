import { fail, keyOf, ok, type ByteCache, type LoadUnpacker, type Result } from '../base/index.ts';
import type { FormPiece, ModelPiece } from '../document/index.ts';
import { isJoin, isRecast, type Step } from '../steps/index.ts';
import { formMesh } from '../form/index.ts';
import { readModel, type ReadModel } from '../io/index.ts';
import type { BuiltCluster } from '../lettering/index.ts';
import type { Box3 } from '../math/index.ts';
import { meshBytes } from '../mesh/index.ts';

export interface BodyTools {
  models: ByteCache<ReadModel>;
  /** bytes of a model by the hash of its file */
  loadModel(hash: string): Promise<Uint8Array | undefined>;
  loadUnpacker: LoadUnpacker | undefined;
}

/** A form as a cluster without letters; `around`: what a panel is made round. */
export function formCluster({ source, body }: FormPiece, around: Box3 | undefined): BuiltCluster {
  const { toleranceMm } = body.faces;
  const mesh = formMesh(source.form, toleranceMm, around);
  const key = keyOf('form', [source.form, toleranceMm, around]);
  return { key, mesh, x: 0, y: 0, z: 0, letters: [] };
}

/** A model as a cluster without letters, and how sound its mesh is. */
export async function modelCluster(
  { source }: ModelPiece,
  { models, loadModel, loadUnpacker }: BodyTools,
): Promise<Result<BuiltCluster & Omit<ReadModel, 'mesh'>>> {
  const key = keyOf('model', source);
  let model = models.get(key);
  if (!model) {
    const bytes = await loadModel(source.asset);
    if (!bytes) return fail('MODEL_UNKNOWN', { hash: source.asset });
    const read = await readModel(bytes, source, loadUnpacker);
    if (!read.ok) return read;
    model = read.value;
    models.set(key, model, meshBytes(model.mesh) + bytesOfImages(model));
  }
  return ok({ key, x: 0, y: 0, z: 0, letters: [], ...model });
}

const bytesOfImages = ({ paints }: ReadModel): number =>
  (paints?.images ?? []).reduce((sum, { bytes }) => sum + bytes.byteLength, 0);

/** Whether steps close an open model: what is cast anew is closed, and so is what joining its points closes. */
export const isClosedBy = (steps: readonly Step[], joinMm: number | undefined): boolean =>
  steps.some(
    (step) => step.on && (isRecast(step) || (isJoin(step) && joinMm !== undefined && step.withinMm >= joinMm)),
  );
