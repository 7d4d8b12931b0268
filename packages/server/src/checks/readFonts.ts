import type { FontDescription } from '@fictile/core';
import { runLimited } from './limitedChild.ts';

export interface FontWork {
  name: string;
  bytes: Uint8Array;
}

/** A plain font file and what it says of itself. */
export interface ReadFont {
  bytes: Uint8Array;
  description: FontDescription;
}

/** Unpacks a font file of any kind and opens each of its faces. */
export const readFonts = (name: string, bytes: Uint8Array): Promise<ReadFont[]> => {
  const work: FontWork = { name, bytes };
  return runLimited<ReadFont[]>(new URL('./fontChild.js', import.meta.url), work);
};
