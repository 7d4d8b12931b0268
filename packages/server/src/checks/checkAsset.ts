import type { AssetKind } from '@fictile/contract';
import { runLimited } from './limitedChild.ts';

export interface AssetWork {
  kind: AssetKind;
  bytes: Uint8Array;
}

/** Reads an upload for real, to see whether it is what it claims to be. */
export const checkAsset = async (kind: AssetKind, bytes: Uint8Array, gone?: AbortSignal): Promise<void> => {
  const work: AssetWork = { kind, bytes };
  await runLimited<null>(new URL('./assetChild.js', import.meta.url), work, { gone });
};
