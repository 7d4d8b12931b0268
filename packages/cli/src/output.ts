import { rmSync } from 'node:fs';
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

const STOP_NUMBERS = { SIGINT: 2, SIGTERM: 15 };
const STOPS = ['SIGINT', 'SIGTERM'] as const;
const unfinished = new Set<string>();

export interface FileToWrite {
  path: string;
  bytes: Uint8Array;
}

/** One after the other, the one that was asked for last: where it stands, the others do. */
export async function writeAll(files: readonly FileToWrite[]): Promise<void> {
  for (const { path, bytes } of files.toReversed()) await writeWhole(path, bytes);
}

/** Writes to a file beside and renames it at the end, so that nobody ever meets half a file. */
export async function writeWhole(path: string, bytes: Uint8Array): Promise<void> {
  const part = `${path}.${process.pid}.part`;
  begin(part);
  try {
    await makeFolder(dirname(resolve(path)));
    await writeFile(part, bytes);
    await rename(part, path);
  } catch (error) {
    // where no file can be there is none to take away
    await rm(part, { force: true }).catch(() => undefined);
    throw fault(
      'FILE_UNWRITABLE',
      `${path} can't be written: ${whyNot((error as NodeJS.ErrnoException).code)}. Choose another place.`,
    );
  } finally {
    end(part);
  }
}

const WHY_NOT: Readonly<Record<string, string>> = {
  ENOSPC: 'the disk is full',
  EDQUOT: 'your share of the disk is used up',
  EACCES: 'you may not write there',
  EPERM: 'you may not write there',
  EROFS: 'nothing can be written on that disk',
  EISDIR: 'a folder of that name is there',
  ENOTDIR: 'a file stands where a folder would have to be',
  ENAMETOOLONG: 'its name is too long',
};
const whyNot = (code = ''): string => (Object.hasOwn(WHY_NOT, code) ? WHY_NOT[code] : 'the system does not let it be');

/** Ctrl-C is ours only while a file is half written: at other times it ends the program at once, as usual. */
function begin(part: string): void {
  if (unfinished.size === 0) for (const signal of STOPS) process.on(signal, dropUnfinished);
  unfinished.add(part);
}

function end(part: string): void {
  unfinished.delete(part);
  if (unfinished.size === 0) for (const signal of STOPS) process.off(signal, dropUnfinished);
}

function dropUnfinished(signal: keyof typeof STOP_NUMBERS): void {
  for (const part of unfinished) rmSync(part, { force: true });
  process.exit(128 + STOP_NUMBERS[signal]);
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
