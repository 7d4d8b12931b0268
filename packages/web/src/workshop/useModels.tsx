import { usualFrame, type MeshFormat } from '@fictile/core';
import { Button, Group } from '@mantine/core';
import { useFileDialog } from '@mantine/hooks';
import { notifications } from '@mantine/notifications';
import { useCallback, useRef } from 'react';
import { api, Refused } from '../api/index.ts';
import type { Chosen, PieceActions } from '../pieces/index.ts';
import { texts } from '../words/index.ts';

const LARGEST_FILE = 100 * 1024 * 1024;
const ENDING = /\.(obj|stl|ply|glb)$/i;

export const isModelFile = (name: string): boolean => ENDING.test(name);

/** Models from outside: kept on the server by the hash of their bytes, which checks them; then they are pieces. */
export function useModels(bench: { actions: PieceActions; chosen: Chosen }): { choose: () => void; takeFiles: (files: readonly File[]) => void } {
  const latest = useRef(bench);
  latest.current = bench;
  const takeFiles = useCallback((files: readonly File[]): void => {
    for (const file of files) void bringIn(file, latest.current);
  }, []);
  const dialog = useFileDialog({ accept: '.obj,.stl,.ply,.glb', multiple: true, resetOnOpen: true, onChange: (list) => list && takeFiles([...list]) });
  return { choose: dialog.open, takeFiles };
} // prettier-ignore

async function bringIn(file: File, { actions, chosen }: { actions: PieceActions; chosen: Chosen }): Promise<void> {
  const tell = (message: string): void => void notifications.show({ color: 'var(--clay)', message, autoClose: 12_000 });
  const format = ENDING.exec(file.name)?.[1].toLowerCase() as MeshFormat | undefined;
  if (!format) return tell(texts.form.refused(file.name));
  if (file.size > LARGEST_FILE) return tell(texts.form.tooLarge(file.name));
  const stop = new AbortController();
  const note = underWay(file, () => stop.abort());
  try {
    const bytes = new Uint8Array(await file.arrayBuffer());
    const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes));
    const asset = Array.from(digest, (byte) => byte.toString(16).padStart(2, '0')).join('');
    await api.putModel({ asset, format }, new Blob([bytes]), stop.signal);
    if (stop.signal.aborted) return;
    chosen.choose(actions.addModel({ asset, ...usualFrame(format) }, file.name.replace(ENDING, '')));
  } catch (error) {
    if (!stop.signal.aborted) tell(error instanceof Refused ? texts.form.refused(file.name) : texts.form.unreached);
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
