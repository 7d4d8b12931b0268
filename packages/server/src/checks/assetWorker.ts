import { parentPort, workerData } from 'node:worker_threads';
import { openFont, readObj, readStl } from '@fictile/core';
import { loadKernels } from '@fictile/kernels';
import type { AssetKind } from '@fictile/contract';
import type { AssetVerdict, AssetWork } from './checkAsset.ts';

/** Reads an upload for real, away from the main thread and its memory. */
async function verdict({ kind, bytes }: AssetWork): Promise<AssetVerdict> {
  const readers: Record<AssetKind, () => Promise<AssetVerdict>> = {
    font: async () => openFont(await loadKernels(), { bytes, hash: '', name: 'upload', axes: {} }),
    obj: async () => readObj(bytes),
    stl: async () => readStl(bytes),
  };
  const result = await readers[kind]();
  return result.ok ? { ok: true } : result;
}

parentPort?.postMessage(await verdict(workerData as AssetWork));
