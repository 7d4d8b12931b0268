import { inArray } from 'drizzle-orm';
import type { Tables } from '../db/open.ts';
import { parts } from '../db/schema.ts';
import { unpackPart } from './documentParts.ts';

/** SQLite takes no more names in one question. */
const AT_ONCE = 500;

/** The packed bytes of parts, those that are there. */
export async function loadParts(tables: Tables, hashes: readonly string[]): Promise<Map<string, Buffer>> {
  const found = new Map<string, Buffer>();
  for (let i = 0; i < hashes.length; i += AT_ONCE) {
    const rows = await tables
      .select()
      .from(parts)
      .where(inArray(parts.hash, hashes.slice(i, i + AT_ONCE)));
    for (const { hash, bytes } of rows) found.set(hash, bytes);
  }
  return found;
}

/** What they say; those that can't be read say nothing. */
export async function partTexts(tables: Tables, hashes: readonly string[]): Promise<string[]> {
  const found = await loadParts(tables, hashes);
  return Promise.all([...found.values()].map((bytes) => unpackPart(bytes).catch(() => '')));
}
