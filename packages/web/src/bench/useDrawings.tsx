import {
  firstCurve,
  MM_PER_UNIT,
  usualDrawing,
  usualOwn,
  usualSlots,
  type Drawing,
  type FreeCurve,
  type ReadDrawing,
} from '@fictile/core';
import { useFileDialog } from '@mantine/hooks';
import { notifications } from '@mantine/notifications';
import { useCallback, useEffect, useRef, useState } from 'react';
import { DRAWINGS } from '../ui/index.ts';
import { isTyping } from '../commands/index.ts';
import type { Chosen, PieceActions } from '../pieces/index.ts';
import { pasteRecipe } from '../recipe/index.ts';
import { shadesOf, type ChosenPicture } from '../silhouette/index.ts';
import type { ProjectStore } from '../store/index.ts';
import { failureText, remarkText, texts } from '../words/index.ts';
import type { JobClient } from '../worker/index.ts';

interface DrawingsBench {
  store: ProjectStore;
  client: JobClient | undefined;
  actions: PieceActions;
  chosen: Chosen;
  /** the solids are being built */
  busy: boolean;
}

/** A drawing that was read and waits for its place. */
interface WaitingDrawing {
  drawing: ReadDrawing;
  name: string;
}

export interface Drawings {
  /** opens the choice of a file */
  choose: () => void;
  takeFiles: (files: readonly File[]) => void;
  /** the first path of a drawing; what can't be read is told */
  readCurve: (file: File) => Promise<FreeCurve | undefined>;
  /** whose outline is being looked for */
  picture: ChosenPicture | undefined;
  takeOutline: (drawing: ReadDrawing, name: string) => void;
  dropPicture: () => void;
}

const bytesOf = async (file: File): Promise<Uint8Array> => new Uint8Array(await file.arrayBuffer());
const isDrawing = ({ type }: File): boolean => DRAWINGS.split(',').includes(type);

/** What browsers show, and an outline can be found in. */
export const PICTURE_FILES = 'image/png,image/jpeg,image/webp,image/gif,image/bmp,image/avif';
const isPicture = ({ type }: File): boolean => PICTURE_FILES.split(',').includes(type);

async function pictureOf(file: File): Promise<ChosenPicture | undefined> {
  const shades = await shadesOf(file);
  if (shades) return { name: file.name.replace(/\.\w+$/, ''), url: URL.createObjectURL(file), shades };
  notifications.show({ color: 'var(--clay)', message: texts.silhouette.noPicture(file.name), autoClose: 12_000 });
  return undefined;
}

/**
 * Drawings from outside: chosen as files, let go over the workshop, or pasted. They are read in the worker; the page
 * goes on meanwhile.
 */
export function useDrawings(bench: DrawingsBench): Drawings {
  const latest = useRef(bench);
  latest.current = bench;
  const [waiting, setWaiting] = useState<readonly WaitingDrawing[]>([]);
  const bringIn = useCallback(async (bytes: Uint8Array, name: string): Promise<void> => {
    const drawing = await read(latest.current.client, bytes, name);
    if (drawing) setWaiting((before) => [...before, { drawing, name }]);
  }, []);
  const [picture, setPicture] = useState<ChosenPicture>();
  const takeFiles = useCallback(
    (files: readonly File[]): void => {
      for (const file of files)
        if (isPicture(file)) void pictureOf(file).then((found) => found && setPicture(found));
        else void bytesOf(file).then((bytes) => bringIn(bytes, file.name));
    },
    [bringIn],
  );
  const dropPicture = useCallback((): void => {
    setPicture((before) => void (before && URL.revokeObjectURL(before.url)));
  }, []);
  const takeOutline = useCallback(
    (drawing: ReadDrawing, name: string): void => {
      setWaiting((before) => [...before, { drawing, name }]);
      dropPicture();
    },
    [dropPicture],
  );
  const isStill = !bench.busy;
  useEffect(() => {
    // beside the others it can only stand once their sizes are known
    if (!isStill || waiting.length === 0) return;
    setWaiting(waiting.slice(1));
    putIn(latest.current, waiting[0]);
  }, [isStill, waiting]);
  const dialog = useFileDialog({
    accept: `${DRAWINGS},${PICTURE_FILES}`,
    multiple: true,
    resetOnOpen: true,
    onChange: (list) => list && takeFiles([...list]),
  });
  useEffect(() => {
    const onPaste = (event: ClipboardEvent): void => {
      if (isTyping(event.target)) return;
      const { store, chosen } = latest.current;
      const files = [...(event.clipboardData?.files ?? [])].filter((file) => isDrawing(file) || isPicture(file));
      const text = event.clipboardData?.getData('text/plain') ?? '';
      if (files.length > 0) takeFiles(files);
      else if (looksLikeSvg(text)) void bringIn(new TextEncoder().encode(text), texts.pieces.drawing);
      else pasteRecipe(store, chosen.pieces);
    };
    window.addEventListener('paste', onPaste);
    return () => window.removeEventListener('paste', onPaste);
  }, [takeFiles, bringIn]);
  const readCurve = useCallback((file: File) => curveOf(latest.current.client, file), []);
  return { choose: dialog.open, takeFiles, readCurve, picture, takeOutline, dropPicture };
}

const looksLikeSvg = (text: string): boolean =>
  /^\s*(<\?xml[^>]*\?>|<!--[^]*?-->|<!doctype[^>]*>|\s)*<(\w+:)?svg\b/i.test(text.slice(0, 4000));

/** What can't be read is told. */
async function read(client: JobClient | undefined, bytes: Uint8Array, name: string): Promise<ReadDrawing | undefined> {
  const answer = await client?.ask({ kind: 'readDrawing', bytes });
  if (answer?.kind === 'drawing') return answer.drawing;
  if (answer?.kind === 'failed')
    notifications.show({ color: 'var(--clay)', title: name, message: failureText(answer.error), autoClose: 12_000 });
  return undefined;
}

async function curveOf(client: JobClient | undefined, file: File): Promise<FreeCurve | undefined> {
  const drawing = await read(client, await bytesOf(file), file.name);
  const curve = drawing && firstCurve(drawing.shape, MM_PER_UNIT);
  if (drawing && !curve) notifications.show({ color: 'var(--clay)', message: texts.drawing.noCurve(file.name) });
  return curve;
}

function putIn({ actions, chosen }: DrawingsBench, { drawing, name }: WaitingDrawing): void {
  const { title, remarks } = drawing;
  const called = title || name.replace(/\.(svg|pdf)$/i, '');
  chosen.choose(actions.addDrawing(drawingOf(drawing), called));
  if (remarks.length > 0)
    notifications.show({
      title: texts.drawing.broughtIn(called),
      message: remarks.map(remarkText).join(' '),
      autoClose: 15_000,
    });
}

/**
 * Each of its colours is a finish, as glossy as the usual front; what has a name that is no colour looks as words do.
 */
function drawingOf({ shape }: ReadDrawing): Drawing {
  const { front } = usualSlots();
  const own = shape.colours
    .filter(({ name }) => name.startsWith('#'))
    .map(({ id, name }) => [String(id), { ...usualOwn(), finish: { ...front, name: '', colour: name } }]);
  return { ...usualDrawing(shape), own: Object.fromEntries(own) };
}
