import { api } from '../api/index.ts';

const SHELF = 'fictile pictures';
const addressOf = (id: string, revision: number): string => `/pictures/${encodeURIComponent(id)}/${revision}`;

let maker: Promise<{
  make: (
    project: Awaited<ReturnType<typeof api.readProject>>['project'],
    signal: AbortSignal,
  ) => Promise<Blob | undefined>;
}>;

/**
 * The picture of a revision: from the browser's own shelf, or made now and put there. `signal`: nobody waits for it any
 * more.
 */
export async function pictureOf(id: string, revision: number, signal: AbortSignal): Promise<Blob | undefined> {
  const shelf = await caches.open(SHELF);
  const known = await shelf.match(addressOf(id, revision));
  if (known) return known.blob();
  // the drawing is only loaded when a picture is missing
  maker ??= import('../viewport/pictures.ts').then(({ PictureMaker }) => new PictureMaker());
  const { project } = await api.readProject(id);
  signal.throwIfAborted();
  const picture = await (await maker).make(project, signal);
  signal.throwIfAborted();
  if (!picture) return undefined;
  const old = (await shelf.keys()).filter((key) => new URL(key.url).pathname.startsWith(addressOf(id, 0).slice(0, -1)));
  await Promise.all(old.map((key) => shelf.delete(key)));
  await shelf.put(addressOf(id, revision), new Response(picture, { headers: { 'content-type': 'image/png' } }));
  return picture;
}
