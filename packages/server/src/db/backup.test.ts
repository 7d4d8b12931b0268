import { createHash } from 'node:crypto';
import { mkdtemp, open, readFile, rm, stat, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { newPiece, newProject, type Project } from '@fictile/core';
import { waysOn } from '../backup/waysOn.ts';
import { ProjectService } from '../services/projects.ts';
import { backUp, DATABASE, listBackups, restore } from './backup.ts';
import { DatabaseDamaged, openDatabase } from './open.ts';
import { rescue } from './rescue.ts';

let folder: string;
beforeEach(async () => (folder = await mkdtemp(join(tmpdir(), 'fictile-backup-'))));
afterEach(() => rm(folder, { recursive: true, force: true }));

const document = (name: string): Project => newProject('p', name, [newPiece('a', name, [...name.repeat(40)])]);
const file = () => join(folder, DATABASE);

/** A project with a revision for each name. */
async function written(names: readonly string[]): Promise<void> {
  const database = await openDatabase(folder);
  const service = new ProjectService(database);
  await service.create(document(names[0]), `key-${names[0]}-created`);
  for (const [i, name] of names.slice(1).entries())
    await service.save('p', document(name), { baseRevision: i + 1, key: `key-${name}-saved` });
  await database.close();
}

const newest = async (): Promise<string> => {
  const database = await openDatabase(folder);
  const { project } = await new ProjectService(database).read('p');
  await database.close();
  return project.name;
};

async function damage(from: number, bytes: number): Promise<void> {
  const handle = await open(file(), 'r+');
  await handle.write(Buffer.alloc(bytes, 0xa5), 0, bytes, from);
  await handle.close();
}

test('after a clean stop all is in one file', async () => {
  await written(['first', 'second']);
  // asked once: what the last connection leaves empty may go in between
  const wal = await stat(`${file()}-wal`).then(
    ({ size }) => size,
    () => 0,
  );
  expect(wal).toBe(0);
  expect(await newest()).toBe('second');
});

test('a backup is made while the database is open, and comes back', async () => {
  await written(['first', 'second']);
  const database = await openDatabase(folder);
  const service = new ProjectService(database);
  const path = await backUp(folder);
  await service.save('p', document('third'), { baseRevision: 2, key: 'key-third-saved' });
  await database.close();
  expect(await newest()).toBe('third');
  const aside = await restore(folder, path);
  expect(await newest()).toBe('second');
  expect(await stat(aside ?? '')).toBeTruthy();
  await writeFile(`${folder}/none.db`, 'no database');
  await expect(restore(folder, `${folder}/none.db`)).rejects.toThrow('nothing was changed');
  expect(await newest()).toBe('second');
});

test('a backup is made before tables change', async () => {
  await written(['x']);
  const database = await openDatabase(folder);
  await database.tables.run(
    'DELETE FROM __drizzle_migrations WHERE created_at = (SELECT max(created_at) FROM __drizzle_migrations)',
  );
  await database.tables.run('DROP TABLE parts');
  await database.close();
  expect(await listBackups(folder)).toEqual([]);
  expect(await newest()).toBe('x');
  expect((await listBackups(folder)).map((path) => /before-update/.test(path))).toEqual([true]);
  expect(await newest()).toBe('x');
  expect(await listBackups(folder)).toHaveLength(1);
});

test('a damaged database is neither opened nor changed, ways on are said; what can be read is rescued', async () => {
  const names = Array.from({ length: 60 }, (_, i) => `revision ${String(i).padStart(2, '0')}`);
  await written(names);
  const size = (await stat(file())).size;
  await damage(Math.floor(size / 2 / 4096) * 4096, 3 * 4096);
  const hash = async (): Promise<string> =>
    createHash('sha256')
      .update(await readFile(file()))
      .digest('hex');
  const before = await hash();
  await expect(openDatabase(folder)).rejects.toThrow(DatabaseDamaged);
  expect(await hash()).toBe(before);
  expect(await waysOn(folder, 'x')).toContain('--rescue');
  const { aside, rows } = await rescue(folder);
  expect(
    createHash('sha256')
      .update(await readFile(aside))
      .digest('hex'),
  ).toBe(before);
  expect(rows).toBeGreaterThan(20);
  expect(names).toContain(await newest());
});

test('a file that is no database is told the same way', async () => {
  await writeFile(
    file(),
    'these are no pages at all, and long enough to be looked at as a header of a hundred bytes, more or less',
  );
  await expect(openDatabase(folder)).rejects.toThrow(DatabaseDamaged);
});
