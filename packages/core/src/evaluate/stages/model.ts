import { fail, type LoadUnpacker, type Result, type Stage } from '../../base/index.ts';
import type { ModelPiece } from '../../document/index.ts';
import { readModel, type ReadModel } from '../../io/index.ts';
import { meshBytes } from '../../mesh/index.ts';

export interface ModelTools {
  /** bytes of a model by the hash of its file */
  loadModel(hash: string): Promise<Uint8Array | undefined>;
  loadUnpacker: LoadUnpacker | undefined;
}

/** A model as it is read; what could not be is tried again the next time. */
export const READ_MODEL: Stage<{ source: ModelPiece['source'] }, ModelTools, Result<ReadModel>> = {
  name: 'model',
  async make({ source }, { loadModel, loadUnpacker }) {
    const bytes = await loadModel(source.asset);
    return bytes ? readModel(bytes, source, loadUnpacker) : fail('MODEL_UNKNOWN', { hash: source.asset });
  },
  bytesOf: (read) => (read.ok ? meshBytes(read.value.mesh) + bytesOfImages(read.value) : FAULT_BYTES),
  isKept: ({ ok }) => ok,
};

const FAULT_BYTES = 100;

const bytesOfImages = ({ paints }: ReadModel): number =>
  (paints?.images ?? []).reduce((sum, { bytes }) => sum + bytes.byteLength, 0);
