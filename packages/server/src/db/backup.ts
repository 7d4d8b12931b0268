import { existsSync } from 'node:fs';
import { mkdir, readdir, rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { integrityFault, openClient } from './setUp.ts';

export const DATABASE = 'fictile.db';
const BACKUPS = 'backups';
/** Of those that are made by themselves. */
const KEPT = 5;

const stamp = (at: Date): string => at.toISOString().replace(/[:.]/g, '-');

/**
 * A whole copy of the database beside it, also while a server writes: one moment of it, as every reader sees one
 * (VACUUM INTO). It is tried by
 * opening it and checking every page before it gets its name. Gives its path.
 */
export async function backUp(folder: string, name = 'backup', at = new Date()): Promise<string> {
  if (!existsSync(join(folder, DATABASE))) throw new Error(`there is no database in ${folder}`);
  const backups = join(folder, BACKUPS);
  await mkdir(backups, { recursive: true });
  const path = join(backups, `${name}-${stamp(at)}.db`);
  const part = `${path}.part`;
  await rm(part, { force: true });
  const client = await openClient(join(folder, DATABASE));
  try {
    await client.execute({ sql: 'VACUUM INTO ?', args: [part] });
  } finally {
    client.close();
  }
  const fault = await faultOf(part);
  if (fault !== '') {
    await rm(part, { force: true });
    throw new Error(`the copy is not sound (${fault})`);
  }
  await rename(part, path);
  return path;
}

/**
 * Puts a backup in the place of the database, which is kept aside. No server may run on the folder. Gives where the
 * old one is.
 */
export async function restore(folder: string, backup: string, at = new Date()): Promise<string | undefined> {
  const fault = await faultOf(backup);
  if (fault !== '') throw new Error(`${backup} is not sound (${fault}); nothing was changed`);
  const aside = await setAside(folder, at);
  const client = await openClient(backup);
  try {
    await client.execute({ sql: 'VACUUM INTO ?', args: [join(folder, DATABASE)] });
  } finally {
    client.close();
  }
  return aside;
}

/** Moves the database and its log out of the way, whole. Gives its new path; undefined where there was none. */
export async function setAside(folder: string, at = new Date()): Promise<string | undefined> {
  const aside = join(folder, `aside-${stamp(at)}.db`);
  let moved: string | undefined;
  for (const ending of ['', '-wal', '-shm']) {
    const path = join(folder, DATABASE + ending);
    const isThere = await stat(path).then(
      () => true,
      () => false,
    );
    if (!isThere) continue;
    await rename(path, aside + ending);
    if (ending === '') moved = aside;
  }
  return moved;
}

/** Newest first. */
export async function listBackups(folder: string): Promise<string[]> {
  const names = await readdir(join(folder, BACKUPS)).catch(() => []);
  const dated = await Promise.all(
    names
      .filter((name) => name.endsWith('.db'))
      .map(async (name) => {
        const path = join(folder, BACKUPS, name);
        return { path, at: (await stat(path)).mtimeMs };
      }),
  );
  return dated.sort((a, b) => b.at - a.at).map(({ path }) => path);
}

/** Drops all but the newest few of those of a name. */
export async function thinBackups(folder: string, name: string): Promise<void> {
  const own = (await listBackups(folder)).filter((path) => path.includes(`${name}-`));
  await Promise.all(own.slice(KEPT).map((path) => rm(path, { force: true })));
}

async function faultOf(path: string): Promise<string> {
  const client = await openClient(path).catch((error: Error) => error);
  if (client instanceof Error) return client.message;
  try {
    return await integrityFault(client);
  } finally {
    // its log is no part of a copy
    await client.execute('PRAGMA journal_mode = DELETE').catch(() => undefined);
    client.close();
  }
}
