import { bufferRows, type Project, type ShownPiece } from '@fictile/core';
import { createStore, del, get, set } from 'idb-keyval';

/** A project as it was shown last: with all buffers of its pieces. */
export interface LastMeshes {
  /** names the build whose computation made them */
  build: string;
  project: Project;
  pieces: ShownPiece[];
}

interface KeptRow {
  id: string;
  bytes: number;
}

/** So many bytes are kept of all projects, the one shown longest ago goes first; larger ones are not kept at all. */
const MOST_BYTES = 256e6;
const LARGEST_BYTES = 64e6;
const ROWS = ' rows';

let opened: ReturnType<typeof createStore> | undefined;
const database = () => (opened ??= createStore('fictile meshes', 'shown'));

/** Keeps what is shown of a project, so that it stands there at once when it is opened again. */
export async function keepMeshes(meshes: LastMeshes): Promise<void> {
  const { id } = meshes.project;
  const bytes = bytesOf(meshes.pieces);
  if (bytes > LARGEST_BYTES) return;
  const rows = ((await get<KeptRow[]>(ROWS, database())) ?? []).filter((row) => row.id !== id);
  rows.unshift({ id, bytes });
  let sum = 0;
  const kept = rows.filter((row) => (sum += row.bytes) <= MOST_BYTES);
  for (const row of rows) if (!kept.includes(row)) await del(row.id, database());
  await set(id, meshes, database());
  await set(ROWS, kept, database());
}

/** As a project was shown last, by the same build; undefined where that is not known any more. */
export async function lastMeshes(id: string, build: string): Promise<LastMeshes | undefined> {
  const found = await get<LastMeshes>(id, database());
  return found?.build === build ? found : undefined;
}

const bytesOf = (pieces: readonly ShownPiece[]): number =>
  pieces
    .flatMap(({ clusters }) => clusters)
    .flatMap(({ buffers: b }) => (b ? bufferRows(b) : []))
    .reduce((sum, { byteLength }) => sum + byteLength, 0);
