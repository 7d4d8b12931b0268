import { openFont, readModel, usualFrame } from '@fictile/core';
import { loadKernels } from '@fictile/kernels';
import { answerParent } from './answerParent.ts';
import type { AssetWork } from './checkAsset.ts';
import type { Verdict } from './limitedChild.ts';

/** Read for real: what can't become a piece is not kept. */
async function verdict({ kind, bytes }: AssetWork): Promise<Verdict<null>> {
  const kernels = await loadKernels();
  const result: Verdict<unknown> =
    kind === 'font'
      ? openFont(kernels, { bytes, hash: '', name: 'upload', axes: {} })
      : await readModel(bytes, usualFrame(kind), kernels.loadUnpacker);
  return result.ok ? { ok: true, value: null } : result;
}

answerParent(verdict);
