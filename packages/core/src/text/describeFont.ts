import { LIMITS } from '../base/index.ts';
import type { FontAxis } from './catalogue.ts';
import type { Kernels } from './fontFace.ts';

/** Variation axes of a font file; empty for a static one and for what can't be read. */
export function fontAxes(kernels: Kernels, bytes: Uint8Array): FontAxis[] {
  if (bytes.length > LIMITS.fontBytes) return [];
  const { hb } = kernels;
  const infos = new hb.Face(new hb.Blob(bytes)).getAxisInfos();
  return Object.values(infos).map(({ tag, min, max, default: usual }) => ({ tag, min, max, usual }));
}
