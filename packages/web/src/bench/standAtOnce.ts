import { sameDocument, type Project, type ShownPiece } from '@fictile/core';
import { keepMeshes, lastMeshes } from '../store/index.ts';
import type { GeometryShelf } from '../viewport/index.ts';

/** Names the computation: the same document gives the same meshes by it. */
const BUILD = import.meta.env.VITE_CORE_BUILD;

/** A project that nobody has changed for so long is kept as it is shown. */
const REST_MS = 1500;

/** As a project was shown last, if it has not been changed since. Rejects where the browser has no database. */
export async function shownLast(project: Project): Promise<ShownPiece[] | undefined> {
  const last = await lastMeshes(project.id, BUILD);
  return last && sameDocument(last.project, project) ? last.pieces : undefined;
}

/** Keeps what is shown, once the hand rests. Returns what calls it off. */
export function keepShown(project: Project, pieces: readonly ShownPiece[], shelf: GeometryShelf): () => void {
  const timer = setTimeout(() => {
    const whole = withBuffers(pieces, shelf);
    // that it can't be kept costs a few seconds when it is opened again, and nothing else
    if (whole) keepMeshes({ build: BUILD, project, pieces: whole }).catch(() => undefined);
  }, REST_MS);
  return () => clearTimeout(timer);
}

/** Undefined where a model has materials of its own, whose pictures are not kept. */
function withBuffers(pieces: readonly ShownPiece[], shelf: GeometryShelf): ShownPiece[] | undefined {
  if (pieces.some(({ paints }) => paints)) return undefined;
  return pieces.map((piece) => ({
    ...piece,
    clusters: piece.clusters.map(({ moved: _, ...cluster }) => ({ ...cluster, buffers: shelf.buffers(cluster.key) })),
  }));
}
