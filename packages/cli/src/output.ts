import { access, mkdir, rename, rm, writeFile } from 'node:fs/promises';
import { dirname, extname, resolve } from 'node:path';
import { MESH_FORMATS, type MeshFormat } from '@fictile/core';
import { fault } from './messages.ts';

export function formatOf(path: string): MeshFormat {
  const ending = extname(path).slice(1).toLowerCase();
  const format = MESH_FORMATS.find((f) => f === ending);
  if (!format)
    throw fault(
      'FORMAT_UNKNOWN',
      `${path} ends in no format that can be written. Use ${MESH_FORMATS.map((f) => `.${f}`).join(', ')}.`,
    );
  return format;
}

const unfinished = new Set<string>();

/** Writes to a file beside and renames it at the end, so that nobody ever meets half a file. */
export async function writeWhole(path: string, bytes: Uint8Array): Promise<void> {
  const part = `${path}.${process.pid}.part`;
  unfinished.add(part);
  try {
    await makeFolder(dirname(resolve(path)));
    await writeFile(part, bytes);
    await rename(part, path);
  } catch (error) {
    await rm(part, { force: true });
    throw fault(
      'FILE_UNWRITABLE',
      `${path} can't be written (${(error as NodeJS.ErrnoException).code ?? 'unknown'}). Choose another place.`,
    );
  } finally {
    unfinished.delete(part);
  }
}

/** Folder by folder: the built-in recursive way never returns in a few special file systems. */
async function makeFolder(path: string): Promise<void> {
  const isThere = await access(path).then(
    () => true,
    () => false,
  );
  if (isThere) return;
  await makeFolder(dirname(path));
  await mkdir(path).catch((error: NodeJS.ErrnoException) => {
    if (error.code !== 'EEXIST') throw error;
  });
}

/** For Ctrl-C: takes away what is half written. */
export async function dropUnfinished(): Promise<void> {
  await Promise.all([...unfinished].map((part) => rm(part, { force: true })));
}
