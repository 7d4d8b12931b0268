import { createHash } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { newModel, newPiece, newProject, usualFrame, type Project } from '@fictile/core';
import { openDatabase, type Database } from '../db/open.ts';
import { assets, parts, projects } from '../db/schema.ts';
import { ProjectService } from './projects.ts';
import { agingClock, upkeep } from './upkeep.ts';

const DAY = 86_400_000;
let folder: string;
let database: Database;
let now: number;
let service: ProjectService;

beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fictile-upkeep-'));
  database = await openDatabase(folder);
  now = Date.parse('2026-11-30T12:00:00Z');
  service = new ProjectService(database, () => new Date(now));
});
afterEach(async () => {
  await database.close();
  await rm(folder, { recursive: true, force: true });
});

const long = (id: string, seed: number): Project =>
  newProject(id, id, [
    newPiece(
      'a',
      id,
      Array.from({ length: 3000 }, (_, i) => String((i * seed) % 7919)),
    ),
  ]);
const hashOf = (text: string): string => createHash('sha256').update(text).digest('hex');
const keepAsset = (text: string) =>
  database.write((tables) =>
    tables.insert(assets).values({
      hash: hashOf(text),
      kind: 'obj',
      size: 1,
      bytes: Buffer.from(text),
      createdAt: new Date(now).toISOString(),
    }),
  );

test('the bin is emptied by age, with all that only it was made of', async () => {
  await service.create(long('old', 3), 'key-old-1');
  const own = await database.tables.$count(parts);
  await service.create(long('kept', 5), 'key-kept-1');
  await service.setBinned('old', true);
  now += 89 * DAY;
  expect(await upkeep(database, new Date(now))).toEqual({ emptied: 0, assets: 0, parts: 0 });
  now += 2 * DAY;
  expect(await upkeep(database, new Date(now))).toMatchObject({ emptied: 1, parts: own });
  expect((await service.read('kept')).project).toEqual(long('kept', 5));
  await expect(service.read('old')).rejects.toThrow('NOT_FOUND');
});

test('files that no revision names go after a month, those of older revisions stay', async () => {
  await keepAsset('used once');
  await keepAsset('never used');
  const model = newModel('m', 'Jug', { asset: hashOf('used once'), ...usualFrame('obj') });
  await service.create(newProject('p', 'p', [model]), 'key-model-1');
  await service.save('p', newProject('p', 'p', []), { baseRevision: 1, key: 'key-model-2' });
  now += 10 * DAY;
  expect(await upkeep(database, new Date(now))).toMatchObject({ assets: 0 });
  now += 30 * DAY;
  expect(await upkeep(database, new Date(now))).toMatchObject({ assets: 1 });
  expect(await database.tables.select({ hash: assets.hash }).from(assets)).toEqual([{ hash: hashOf('used once') }]);
});

test('a clock that jumps ahead makes nothing older than a day, again and again', async () => {
  let [wall, steady] = [now, 0];
  const clock = () =>
    agingClock(
      database,
      () => wall,
      () => steady,
    );
  const first = await clock();
  expect(first().getTime()).toBe(now);
  wall += 400 * DAY;
  expect(first().getTime()).toBe(now); // nothing passed in the machine itself
  steady += 5000;
  expect(first().getTime()).toBe(now + 5000);
  expect((await clock())().getTime()).toBe(now + DAY); // a new life of the server
  wall = now - 400 * DAY;
  expect((await clock())().getTime()).toBe(wall); // back: nothing is old
});

test('revisions are thinned by that time, not by the jumping one', async () => {
  let aging = now;
  const thinning = new ProjectService(
    database,
    () => new Date(now),
    () => new Date(aging),
  );
  await thinning.create(newProject('p', '1', []), 'key-thin-01');
  for (let i = 1; i < 12; i++) {
    now += 60_000;
    aging += 60_000;
    await thinning.save('p', newProject('p', String(i + 1), []), { baseRevision: i, key: `key-thin-${i + 10}` });
  }
  now += 365 * DAY;
  await thinning.save('p', newProject('p', 'jumped', []), { baseRevision: 12, key: 'key-thin-99' });
  expect(await thinning.listRevisions('p')).toHaveLength(13);
  aging += 365 * DAY;
  await thinning.save('p', newProject('p', 'old', []), { baseRevision: 13, key: 'key-thin-98' });
  expect((await thinning.listRevisions('p')).length).toBeLessThan(5);
  expect(await database.tables.$count(projects)).toBe(1);
});
