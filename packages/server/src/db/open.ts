import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createClient, type Client } from '@libsql/client';
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import * as schema from './schema.ts';

export type Tables = LibSQLDatabase<typeof schema>;

/**
 * The database with its one queue of writers. SQLite takes one writer at a time and this client refuses a second at once, so every write
 * goes through `write`, one after the other; what a writer has read is still true when it writes.
 */
export interface Database {
  tables: Tables;
  write<T>(work: (tables: Tables) => Promise<T>): Promise<T>;
  close(): Promise<void>;
}

const MIGRATIONS = fileURLToPath(new URL('../../drizzle', import.meta.url));

export async function openDatabase(folder: string): Promise<Database> {
  await mkdir(folder, { recursive: true });
  const client = createClient({ url: `file:${join(folder, 'fictile.db')}` });
  await setUp(client);
  const tables = drizzle(client, { schema });
  await migrate(tables, { migrationsFolder: MIGRATIONS });
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
      client.close();
    },
  };
}

/** A commit has reached the disk when it is acknowledged: write-ahead log, synced at every commit. */
async function setUp(client: Client): Promise<void> {
  await client.execute('PRAGMA journal_mode = WAL');
  await client.execute('PRAGMA synchronous = FULL');
  await client.execute('PRAGMA foreign_keys = ON');
  await client.execute('PRAGMA busy_timeout = 5000');
}
