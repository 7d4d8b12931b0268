import { and, inArray, lt, ne, sql } from 'drizzle-orm';
import type { Database } from '../db/open.ts';
import { assets, facts, parts, projects, revisions } from '../db/schema.ts';
import { partsIn } from './documentParts.ts';
import { partTexts } from './partTexts.ts';

const DAY_MS = 86_400_000;
/** How long a project lies in the bin, and how long an asset that no document names is kept. */
export const BIN_DAYS = 90;
const ASSET_DAYS = 30;
const CLOCK = 'time of upkeep';

/**
 * The time by which things grow old. A clock that jumps ahead must not make everything old at once: since it was last
 * looked at, in whatever life of
 * the server, no more than a day passes by a jump; after that time passes as it does in the machine itself.
 */
export async function agingClock(
  database: Database,
  wall: () => number = Date.now,
  steady: () => number = () => performance.now(),
): Promise<() => Date> {
  const [known] = await database.tables
    .select()
    .from(facts)
    .where(sql`${facts.name} = ${CLOCK}`);
  const last = known ? Date.parse(known.value) : wall();
  const start = Math.min(wall(), last + DAY_MS);
  const begun = steady();
  await keepTime(database, new Date(start));
  return () => new Date(Math.min(wall(), start + (steady() - begun)));
}

async function keepTime(database: Database, at: Date): Promise<void> {
  const row = { name: CLOCK, value: at.toISOString() };
  await database.write((tables) =>
    tables.insert(facts).values(row).onConflictDoUpdate({ target: facts.name, set: row }),
  );
}

export interface Kept {
  /** projects that were in the bin too long */
  emptied: number;
  /** files that no document names */
  assets: number;
  /** parts that no revision is made of */
  parts: number;
}

/** Empties the bin by age, and drops what nothing names any more. */
export async function upkeep(database: Database, now: Date): Promise<Kept> {
  const before = (days: number): string => new Date(now.getTime() - days * DAY_MS).toISOString();
  const emptied = await database.write((tables) =>
    tables
      .delete(projects)
      .where(lt(projects.binnedAt, before(BIN_DAYS)))
      .returning({ id: projects.id }),
  );
  // what takes long is done beside the writers; that nothing was written meanwhile is part of every deletion
  const used = await usedNames(database);
  const gone = await database.write(async (tables) => {
    const old = await tables
      .select({ hash: assets.hash })
      .from(assets)
      .where(and(ne(assets.kind, 'font'), lt(assets.createdAt, before(ASSET_DAYS))));
    const kept = await tables.select({ hash: parts.hash }).from(parts);
    const unused = (rows: { hash: string }[], names: ReadonlySet<string>): string[] =>
      rows.flatMap(({ hash }) => (names.has(hash) ? [] : [hash]));
    const [deadAssets, deadParts] = [unused(old, used.assets), unused(kept, used.parts)];
    const isSame = sql`(select coalesce(max(rowid), 0) from ${revisions}) = ${used.newest}`;
    for (const some of inRows(deadAssets)) await tables.delete(assets).where(and(inArray(assets.hash, some), isSame));
    for (const some of inRows(deadParts)) await tables.delete(parts).where(and(inArray(parts.hash, some), isSame));
    return { assets: deadAssets.length, parts: deadParts.length };
  });
  await keepTime(database, now);
  return { emptied: emptied.length, ...gone };
}

const inRows = (hashes: string[]): string[][] =>
  Array.from({ length: Math.ceil(hashes.length / 500) }, (_, i) => hashes.slice(500 * i, 500 * (i + 1)));

const ASSET = /"asset":"([0-9a-f]{64})"/g;

/** All assets and parts that any revision names, one revision after the other. */
async function usedNames({ tables }: Database): Promise<{ assets: Set<string>; parts: Set<string>; newest: number }> {
  const used = { assets: new Set<string>(), parts: new Set<string>(), newest: 0 };
  const look = (text: string): string[] => {
    for (const [, hash] of text.matchAll(ASSET)) used.assets.add(hash);
    return partsIn(text).filter((hash) => !used.parts.has(hash));
  };
  const rows = await tables
    .select({ row: sql<number>`rowid` })
    .from(revisions)
    .orderBy(sql`rowid`);
  for (const { row } of rows) {
    const [found] = await tables
      .select({ document: revisions.document })
      .from(revisions)
      .where(sql`rowid = ${row}`);
    let wanted = found ? look(found.document) : [];
    while (wanted.length > 0) {
      wanted.forEach((hash) => used.parts.add(hash));
      const texts = await partTexts(tables, wanted);
      wanted = [...new Set(texts.flatMap(look))];
    }
    used.newest = Math.max(used.newest, row);
  }
  return used;
}
