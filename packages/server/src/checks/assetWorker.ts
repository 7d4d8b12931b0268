import { parentPort, workerData } from 'node:worker_threads';
import { openFont, readObj, readStl } from '@fictile/core';
import { loadKernels } from '@fictile/kernels';
import type { AssetKind } from '@fictile/contract';
import type { AssetWork } from './checkAsset.ts';
import type { Verdict } from './limitedWorker.ts';

async function verdict({ kind, bytes }: AssetWork): Promise<Verdict<null>> {
  const readers: Record<AssetKind, () => Promise<Verdict<unknown>>> = {
    font: async () => openFont(await loadKernels(), { bytes, hash: '', name: 'upload', axes: {} }),
    obj: async () => readObj(bytes),
    stl: async () => readStl(bytes),
  };
  const result = await readers[kind]();
  return result.ok ? { ok: true, value: null } : result;
}

parentPort?.postMessage(await verdict(workerData as AssetWork));
