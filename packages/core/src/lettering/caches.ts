import { ByteCache, QuickMemo, type StageLog } from '../base/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import { ALONG_DEPTH } from './stages/alongDepth.ts';
import { CLUSTER_FLAT } from './stages/clusterFlat.ts';
import { CLUSTER_MESH } from './stages/clusterMesh.ts';
import { CLUSTER_REACH } from './stages/clusterReach.ts';
import { CONTACT } from './stages/contact.ts';
import { OUTLINE } from './stages/outline.ts';

/** The stages of a lettering, and what stays of them between two evaluations; bounded in bytes. */
export function letteringCaches(limitBytes: number, log?: StageLog) {
  const meshes = new ByteCache<PolygonMesh>(limitBytes * 0.4);
  return {
    outlines: new QuickMemo(OUTLINE, new ByteCache(limitBytes * 0.15), log),
    contacts: new QuickMemo(CONTACT, new ByteCache(limitBytes * 0.04), log),
    reaches: new QuickMemo(CLUSTER_REACH, new ByteCache(limitBytes * 0.01), log),
    flats: new QuickMemo(CLUSTER_FLAT, new ByteCache(limitBytes * 0.4), log),
    solids: new QuickMemo(CLUSTER_MESH, meshes, log),
    alongDepth: new QuickMemo(ALONG_DEPTH, meshes, log),
  };
}
export type LetteringCaches = ReturnType<typeof letteringCaches>;
