import { ByteCache, Memo, type StageLog } from '../base/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import { RECAST } from './stages/recast.ts';
import { REFINE } from './stages/refine.ts';

/** Stages that make meshes of meshes; they share what may be kept. */
export function meshMemos(bytes: number, log?: StageLog) {
  const cache = new ByteCache<PolygonMesh>(bytes);
  return { refine: new Memo(REFINE, cache, log), recast: new Memo(RECAST, cache, log) };
}
export type MeshMemos = ReturnType<typeof meshMemos>;
