import { parentPort, workerData } from 'node:worker_threads';
import { openFont, readBack } from '@fictile/core';
import { loadKernels } from '@fictile/kernels';
import type { AssetWork } from './checkAsset.ts';
import type { Verdict } from './limitedWorker.ts';

async function verdict({ kind, bytes }: AssetWork): Promise<Verdict<null>> {
  const result: Verdict<unknown> =
    kind === 'font'
      ? openFont(await loadKernels(), { bytes, hash: '', name: 'upload', axes: {} })
      : await readBack(bytes, kind, (await loadKernels()).loadUnpacker);
  return result.ok ? { ok: true, value: null } : result;
}

parentPort?.postMessage(await verdict(workerData as AssetWork));
