import { BANDS } from './bands.ts';
import type { FaceKind, FaceStyleDefinition } from './definition.ts';
import { PLAIN } from './plain.ts';
import { FLOW, GRID } from './sized.ts';

/** Every style of faces, in the order in which they are offered. */
export const FACE_STYLES: { readonly [K in FaceKind]: FaceStyleDefinition<K> } = {
  plain: PLAIN,
  bands: BANDS,
  grid: GRID,
  flow: FLOW,
};
