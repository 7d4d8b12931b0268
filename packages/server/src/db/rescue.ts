import { join } from 'node:path';
import type { Client, InValue } from '@libsql/client';
import { DATABASE, setAside } from './backup.ts';
import { openDatabase } from './open.ts';
import { openClient } from './setUp.ts';

/** In the order in which they refer to each other. */
const TABLES = ['projects', 'revisions', 'parts', 'assets', 'fonts', 'shapes', 'facts'] as const;
/** Rows in a row that can't be read, after which a table is taken to be at its end. */
const MOST_FAULTS = 2_000;

export interface Rescued {
  /** where the damaged file is */
  aside: string;
  rows: number;
  lost: number;
}

/**
 * Puts a damaged database aside and makes a new one of all its rows that can still be read; projects stand at their
 * newest readable revision.
 */
export async function rescue(folder: string, at = new Date()): Promise<Rescued> {
  const aside = await setAside(folder, at);
  if (aside === undefined) throw new Error(`there is no database in ${folder}`);
  const database = await openDatabase(folder);
  await database.close();
  const [old, fresh] = [await openClient(aside), await openClient(join(folder, DATABASE))];
  let [rows, lost] = [0, 0];
  try {
    await fresh.execute('PRAGMA foreign_keys = OFF');
    for (const table of TABLES) {
      const told = await copyRows(table, old, fresh);
      rows += told.rows;
      lost += told.lost;
    }
    await fresh.execute('DELETE FROM fonts WHERE hash NOT IN (SELECT hash FROM assets)');
    await fresh.execute('DELETE FROM revisions WHERE project_id NOT IN (SELECT id FROM projects)');
    await fresh.execute('DELETE FROM projects WHERE id NOT IN (SELECT project_id FROM revisions)');
    await fresh.execute(
      'UPDATE projects SET revision = (SELECT max(number) FROM revisions WHERE project_id = projects.id)',
    );
  } finally {
    old.close();
    fresh.close();
  }
  return { aside, rows, lost };
}

async function copyRows(table: string, old: Client, fresh: Client): Promise<{ rows: number; lost: number }> {
  let [rows, lost, faults, last] = [0, 0, 0, 0];
  while (faults < MOST_FAULTS) {
    try {
      const found = await old.execute({
        sql: `SELECT rowid AS row_id, * FROM ${table} WHERE rowid > ? ORDER BY rowid LIMIT 1`,
        args: [last],
      });
      if (found.rows.length === 0) return { rows, lost: lost - faults };
      const { row_id: id, ...values } = Object.fromEntries(
        found.columns.map((name, i) => [name, found.rows[0][i] as InValue]),
      );
      const names = Object.keys(values);
      await fresh.execute({
        sql: `INSERT OR IGNORE INTO ${table} (${names.join(', ')}) VALUES (${names.map(() => '?').join(', ')})`,
        args: Object.values(values),
      });
      [last, faults] = [Number(id), 0];
      rows++;
    } catch {
      last++;
      lost++;
      faults++;
    }
  }
  return { rows, lost: lost - faults };
}
