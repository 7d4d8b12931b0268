import { ByteCache, Memo } from '../base/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import { RECAST } from './stages/recast.ts';
import { REFINE } from './stages/refine.ts';

/** Stages that make meshes of meshes; they share what may be kept. */
export function meshMemos(bytes: number) {
  const cache = new ByteCache<PolygonMesh>(bytes);
  return { refine: new Memo(REFINE, cache), recast: new Memo(RECAST, cache) };
}
export type MeshMemos = ReturnType<typeof meshMemos>;
