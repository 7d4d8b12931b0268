import { ok, type Result } from '../../base/index.ts';
import type { PolygonMesh } from '../../mesh/index.ts';
import type { ReadBack } from '../scenePart.ts';

/** A file that holds one mesh and nothing else. */
export const bare = (read: Result<PolygonMesh>): Result<ReadBack> =>
  read.ok ? ok({ mesh: read.value, names: [], finishes: [], levels: 1 }) : read;
