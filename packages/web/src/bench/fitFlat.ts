import { notifications } from '@mantine/notifications';
import { isWords, ontoStepOf, type FlatFit, type Piece, type Vec3, type WordsPiece } from '@fictile/core';
import type { ProjectStore } from '../store/index.ts';
import { texts } from '../words/index.ts';
import type { JobClient } from '../worker/index.ts';

/** Words that are laid onto a model, and so can be fitted into a flat place of it. */
export const canFit = (piece: Piece | undefined): piece is WordsPiece =>
  piece !== undefined && isWords(piece) && !piece.locked && ontoStepOf(piece) !== undefined;

/** As large as the flat place they are held at allows, in its middle; told where that is none. */
export async function fitFlat(
  store: ProjectStore,
  client: JobClient | undefined,
  piece: Piece | undefined,
): Promise<void> {
  if (!client || !canFit(piece)) return;
  const project = store.state.history.project;
  const answer = await client.ask({ kind: 'fit', project, pieceId: piece.id });
  // what was edited meanwhile may lie elsewhere
  if (answer.kind !== 'fit' || store.state.history.project !== project) return;
  if (!answer.fit) return void notifications.show({ color: 'var(--clay)', message: texts.shape.fitNone });
  applyFit(store, piece, answer.fit);
}

function applyFit(store: ProjectStore, piece: WordsPiece, { scale, hold }: FlatFit): void {
  const step = ontoStepOf(piece);
  if (!step) return;
  const sizeMm = Math.min(MOST_MM, Math.max(LEAST_MM, Math.floor(10 * scale * piece.source.sizeMm) / 10));
  const rounded = (place: Vec3, to: number): Vec3 => place.map((v) => Math.round(v * to) / to + 0) as Vec3;
  const held = { ...step, ...hold, fromMm: rounded(hold.fromMm, 100), toward: rounded(hold.toward, 1e6) };
  const steps = piece.steps.map((one) => (one.id === step.id ? held : one));
  store.edit({
    kind: 'many',
    edits: [
      { kind: 'setWords', pieceId: piece.id, values: { sizeMm } },
      { kind: 'setSteps', pieceId: piece.id, steps },
    ],
  });
}

const LEAST_MM = 0.1;
const MOST_MM = 10_000;
