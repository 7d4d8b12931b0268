import { createClient, type Client } from '@libsql/client';

/** A commit has reached the disk when it is acknowledged: write-ahead log, synced at every commit. */
export async function openClient(file: string): Promise<Client> {
  const client = createClient({ url: `file:${file}` });
  try {
    await client.execute('PRAGMA journal_mode = WAL');
    await client.execute('PRAGMA synchronous = FULL');
    await client.execute('PRAGMA foreign_keys = ON');
    await client.execute('PRAGMA busy_timeout = 5000');
  } catch (error) {
    client.close();
    throw error;
  }
  return client;
}

/** What SQLite finds wrong with a file; empty: nothing. */
export async function integrityFault(client: Client): Promise<string> {
  try {
    const { rows } = await client.execute('PRAGMA integrity_check(3)');
    const told = rows.map((row) => String(row[0]));
    return told.length === 1 && told[0] === 'ok' ? '' : told.join('; ').replace(/\s+/g, ' ').slice(0, 300);
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
}
