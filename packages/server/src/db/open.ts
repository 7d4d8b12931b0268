import { existsSync, readFileSync } from 'node:fs';
import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Client } from '@libsql/client';
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import { backUp, DATABASE, thinBackups } from './backup.ts';
import * as schema from './schema.ts';
import { integrityFault, openClient } from './setUp.ts';

export type Tables = LibSQLDatabase<typeof schema>;

/**
 * The database with its one queue of writers. SQLite takes one writer at a time and this client refuses a second at
 * once, so every write goes through `write`, one after the other; what a writer has read is still true when it writes.
 */
export interface Database {
  tables: Tables;
  write<T>(work: (tables: Tables) => Promise<T>): Promise<T>;
  close(): Promise<void>;
}

/** The file can't be relied on; nothing in it was changed. */
export class DatabaseDamaged extends Error {}

export const MIGRATIONS = fileURLToPath(new URL('../../drizzle', import.meta.url));
const BEFORE = 'before-update';

/**
 * Opens the database of a folder, or makes one. Every page is checked first, and before its tables change a backup is
 * made.
 */
export async function openDatabase(folder: string): Promise<Database> {
  await mkdir(folder, { recursive: true });
  const file = join(folder, DATABASE);
  const isNew = !existsSync(file);
  const client = await openClient(file).catch((error: Error) => {
    throw new DatabaseDamaged(error.message);
  });
  try {
    const fault = isNew ? '' : await integrityFault(client);
    if (fault !== '') throw new DatabaseDamaged(fault);
    if (!isNew && (await migrationsWait(client))) {
      await backUp(folder, BEFORE);
      await thinBackups(folder, BEFORE);
    }
    const tables = drizzle(client, { schema });
    await migrate(tables, { migrationsFolder: MIGRATIONS });
    return withWriters(client, tables);
  } catch (error) {
    client.close();
    throw error;
  }
}

function withWriters(client: Client, tables: Tables): Database {
  let queue: Promise<unknown> = Promise.resolve();
  return {
    tables,
    write: (work) => {
      const done = queue.then(() => work(tables));
      queue = done.catch(() => undefined);
      return done;
    },
    close: async () => {
      await queue;
      // after a clean stop all is in the one file; another server on it may hold the log, which is no fault
      await client.execute('PRAGMA wal_checkpoint(TRUNCATE)').catch(() => undefined);
      client.close();
    },
  };
}

/** Whether there are steps that this database has not taken yet. */
async function migrationsWait(client: Client): Promise<boolean> {
  const journal = JSON.parse(readFileSync(join(MIGRATIONS, 'meta/_journal.json'), 'utf8')) as { entries: unknown[] };
  const taken = await client.execute('SELECT count(*) FROM __drizzle_migrations').catch(() => undefined);
  return Number(taken?.rows[0]?.[0] ?? 0) < journal.entries.length;
}
