import { isModel, usualFrame, usualWriteOptions, type MeshFormat, type Model, type Piece } from '@fictile/core';
import { Button, Group } from '@mantine/core';
import { useFileDialog } from '@mantine/hooks';
import { notifications } from '@mantine/notifications';
import { useCallback, useRef } from 'react';
import { api, Refused } from '../api/index.ts';
import type { Chosen, PieceActions } from '../pieces/index.ts';
import type { ProjectStore } from '../store/index.ts';
import { failureText, texts } from '../words/index.ts';
import type { JobClient } from '../worker/index.ts';

const LARGEST_FILE = 100 * 1024 * 1024;
const ENDING = /\.(obj|stl|ply|glb)$/i;

export const isModelFile = (name: string): boolean => ENDING.test(name);

interface ModelsBench {
  actions: PieceActions;
  chosen: Chosen;
  client: Pick<JobClient, 'ask'> | undefined;
  store: ProjectStore;
}

export interface Models {
  choose: () => void;
  takeFiles: (files: readonly File[]) => void;
  /** a piece's mesh as it is now becomes a model in its place; the piece is hidden, and stays what it was */
  makePlain: (piece: Piece) => void;
}

/** Models from outside: kept on the server by the hash of their bytes, which checks them; then they are pieces. */
export function useModels(bench: ModelsBench): Models {
  const latest = useRef(bench);
  latest.current = bench;
  const takeFiles = useCallback((files: readonly File[]): void => {
    for (const file of files) void bringIn(file, latest.current);
  }, []);
  const makePlain = useCallback((piece: Piece): void => void plainCopy(piece, latest.current), []);
  const dialog = useFileDialog({
    accept: '.obj,.stl,.ply,.glb',
    multiple: true,
    resetOnOpen: true,
    onChange: (list) => list && takeFiles([...list]),
  });
  return { choose: dialog.open, takeFiles, makePlain };
}

const tell = (message: string): void => void notifications.show({ color: 'var(--clay)', message, autoClose: 12_000 });

async function bringIn(file: File, { actions, chosen }: ModelsBench): Promise<void> {
  const format = ENDING.exec(file.name)?.[1].toLowerCase() as MeshFormat | undefined;
  if (!format) return tell(texts.form.refused(file.name));
  if (file.size > LARGEST_FILE) return tell(texts.form.tooLarge(file.name));
  const model = await kept(file, format);
  if (model) chosen.choose(actions.addModel(model, file.name.replace(ENDING, '')));
}

async function plainCopy(piece: Piece, { actions, chosen, client, store }: ModelsBench): Promise<void> {
  // a GLB alone keeps pictures; it takes faces apart into triangles, as it has done with the model's own
  const format = isModel(piece) && piece.source.paint === 'own' ? piece.source.format : 'obj';
  const options = { ...usualWriteOptions(format, piece.name), uv: 'none' as const };
  const answer = await client?.ask({ kind: 'write', project: store.project, pieceIds: [piece.id], options });
  if (answer?.kind === 'failed') return tell(failureText(answer.error));
  if (answer?.kind !== 'written') return;
  const file = new File([answer.bytes as Uint8Array<ArrayBuffer>], texts.pieces.plainOf(piece.name));
  if (file.size > LARGEST_FILE) return tell(texts.form.tooLarge(file.name));
  const model = await kept(file, format);
  if (model) chosen.choose(actions.putInstead(model, piece));
}

/** Keeps a file on the server; undefined where that failed, which is told, or was stopped. */
async function kept(file: File, format: MeshFormat): Promise<Omit<Model, 'kind'> | undefined> {
  const stop = new AbortController();
  const note = underWay(file, () => stop.abort());
  try {
    const bytes = new Uint8Array(await file.arrayBuffer());
    const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes));
    const asset = Array.from(digest, (byte) => byte.toString(16).padStart(2, '0')).join('');
    await api.putModel({ asset, format }, new Blob([bytes]), stop.signal);
    return stop.signal.aborted ? undefined : { asset, ...usualFrame(format) };
  } catch (error) {
    if (!stop.signal.aborted) tell(error instanceof Refused ? texts.form.refused(file.name) : texts.form.unreached);
    return undefined;
  } finally {
    notifications.hide(note);
  }
}

/** Says that a file is being looked over, and lets it be stopped; gives the note's name. */
function underWay({ name, size }: File, onStop: () => void): string {
  return notifications.show({
    loading: true,
    autoClose: false,
    withCloseButton: false,
    message: (
      <Group justify="space-between" wrap="nowrap">
        {texts.form.bringing(name, size)}
        <Button size="compact-sm" variant="default" onClick={onStop}>
          {texts.form.stop}
        </Button>
      </Group>
    ),
  });
}
