import type { Project } from '@fictile/core';
import { api } from '../api/index.ts';

const SHELF = 'fictile pictures';
const addressOf = (id: string, revision: number): string => `/pictures/${encodeURIComponent(id)}/${revision}`;

type MakePicture = (project: Project, signal: AbortSignal) => Promise<Blob | undefined>;

type Maker = Promise<{ make: MakePicture }>;

let maker: Maker | undefined;

// the drawing is only loaded when a picture is missing
const newMaker = (): Maker => import('../viewport/pictures.ts').then(({ PictureMaker }) => new PictureMaker());

let ahead: Maker | undefined;

/** A picture of a project that nobody has kept yet, before all that wait for theirs. */
export const pictureOfProject: MakePicture = async (project, signal) => {
  ahead ??= newMaker();
  return (await ahead).make(project, signal);
};

/**
 * The picture of a revision: from the browser's own shelf, or made now and put there. `signal`: nobody waits for it any
 * more.
 */
export async function pictureOf(id: string, revision: number, signal: AbortSignal): Promise<Blob | undefined> {
  const shelf = await caches.open(SHELF);
  const known = await shelf.match(addressOf(id, revision));
  if (known) return known.blob();
  const { project } = await api.readProject(id);
  signal.throwIfAborted();
  maker ??= newMaker();
  const picture = await (await maker).make(project, signal);
  signal.throwIfAborted();
  if (!picture) return undefined;
  const old = (await shelf.keys()).filter((key) => new URL(key.url).pathname.startsWith(addressOf(id, 0).slice(0, -1)));
  await Promise.all(old.map((key) => shelf.delete(key)));
  await shelf.put(addressOf(id, revision), new Response(picture, { headers: { 'content-type': 'image/png' } }));
  return picture;
}
