import { createHash } from 'node:crypto';
import { once } from 'node:events';
import { mkdtemp, rm } from 'node:fs/promises';
import { connect, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { newPiece, newProject, type Project } from '@fictile/core';
import { openApiDocument } from '@fictile/contract';
import { pino } from 'pino';
import request from 'supertest';
import { createApp } from './app.ts';
import { openDatabase, type Database } from './db/open.ts';
import { seed } from './seed/seed.ts';
import { coreFault } from './services/faults.ts';
import { readSettings } from './settings.ts';

let folder: string;
let database: Database;
let app: ReturnType<typeof createApp>;

beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fictile-test-'));
  database = await openDatabase(folder);
  app = createApp({
    database,
    log: pino({ level: 'silent' }),
    hosts: ['127.0.0.1', 'localhost'],
    checkAsset: (kind) =>
      kind === 'font'
        ? Promise.resolve()
        : Promise.reject(coreFault({ code: 'MESH_BROKEN', params: { format: kind, place: 0, why: 'short' } })),
    readFonts: async (_name, bytes) => [fontOf(Buffer.from(bytes).toString())],
  });
});
afterEach(async () => {
  await database.close();
  await rm(folder, { recursive: true, force: true });
});

const document = (name = 'Kiln'): Project => newProject('p1', name, [newPiece('a', name, [...name])]);
/** Stands for a font file: its family and its style. */
function fontOf(text: string) {
  const [family, name] = text.split(' ');
  if (!name) throw coreFault({ code: 'FONT_BROKEN', params: { name: 'a', why: 'tables' } });
  const hash = createHash('sha256').update(text).digest('hex');
  const style = { name, weight: name === 'Bold' ? 700 : 300, italic: false, hash };
  return { bytes: Buffer.from(text), description: { family, style, axes: [], instances: [], covers: '41' } };
}
let keys = 0;
const key = (): string => `key-number-${++keys}`;
const create = (project: unknown, k = key()) =>
  request(app).post('/api/projects').set('idempotency-key', k).send({ project });
const save = (project: Project, baseRevision: number, k = key()) =>
  request(app).put(`/api/projects/${project.id}`).set('idempotency-key', k).send({ project, baseRevision });

describe('projects', () => {
  test('are made, listed newest first, read and saved', async () => {
    expect((await create(document()).expect(201)).body.revision).toBe(1);
    const listed = await request(app).get('/api/projects').expect(200);
    expect(listed.body.projects).toMatchObject([{ id: 'p1', name: 'Kiln', words: 'Kiln', pieces: 1, revision: 1 }]);
    expect((await save(document('Row'), 1).expect(200)).body.revision).toBe(2);
    const read = await request(app).get('/api/projects/p1').expect(200);
    expect(read.body).toMatchObject({ revision: 2, project: { name: 'Row' } });
    const first = await request(app).get('/api/projects/p1/revisions/1').expect(200);
    expect(first.body.project.name).toBe('Kiln');
    const revisions = await request(app).get('/api/projects/p1/revisions').expect(200);
    expect(revisions.body.revisions.map((r: { number: number }) => r.number)).toEqual([2, 1]);
  });

  test('an old base is refused with the newer revision, and nothing is lost', async () => {
    await create(document());
    await save(document('Mine'), 1).expect(200);
    const late = await save(document('Yours'), 1).expect(409);
    expect(late.body).toMatchObject({
      error: { code: 'REVISION_OLD', params: { base: 1, newest: 2 } },
      newer: { revision: 2, project: { name: 'Mine' } },
    });
    expect((await request(app).get('/api/projects/p1')).body.project.name).toBe('Mine');
  });

  test('the same key gives the same answer once; for another request it is refused', async () => {
    await create(document());
    const k = key();
    const once = await save(document('Row'), 1, k).expect(200);
    const again = await save(document('Row'), 1, k).expect(200);
    expect(again.body).toEqual(once.body);
    const other = await save(document('Other'), 1, k).expect(422);
    expect(other.body.error).toEqual({ code: 'KEY_REUSED', params: { key: k } });
    expect((await request(app).get('/api/projects/p1')).body.revision).toBe(2);
  });

  test('go into the bin and come back, with everything they hold', async () => {
    await create(document());
    await request(app).delete('/api/projects/p1').expect(204);
    expect((await request(app).get('/api/projects')).body.projects).toEqual([]);
    const binned = (await request(app).get('/api/projects?bin=true')).body.projects;
    expect(binned).toMatchObject([{ id: 'p1', binnedAt: expect.any(String) }]);
    await request(app).post('/api/projects/p1/restore').expect(204);
    expect((await request(app).get('/api/projects')).body.projects).toMatchObject([{ id: 'p1', binnedAt: null }]);
    await request(app).delete('/api/projects/nobody').expect(404);
  });

  test('a revision gets a name, another, and none', async () => {
    await create(document());
    const name = (to: unknown, number = 1) =>
      request(app).put(`/api/projects/p1/revisions/${number}/name`).send({ name: to });
    const named = async () => (await request(app).get('/api/projects/p1/revisions')).body.revisions[0].name;
    await name('Before the fair').expect(204);
    expect(await named()).toBe('Before the fair');
    await name(null).expect(204);
    expect(await named()).toBeNull();
    await name('').expect(400);
    await name('x', 7).expect(404);
  });

  test('twenty writers at once: one wins each revision', async () => {
    await create(document());
    const answers = await Promise.all(Array.from({ length: 20 }, (_, i) => save(document(`w${i}`), 1)));
    expect(answers.filter((a) => a.status === 200)).toHaveLength(1);
    expect(answers.filter((a) => a.status === 409)).toHaveLength(19);
  });

  test.each<[string, unknown, string]>([
    ['nothing', null, 'PROJECT_BROKEN'],
    ['a later version', { ...document(), schemaVersion: 99 }, 'PROJECT_NEWER'],
    ['a negative size', JSON.parse(JSON.stringify(document()).replace('"sizeMm":72', '"sizeMm":-1')), 'PROJECT_BROKEN'],
  ])('%s is refused', async (_, project, code) => {
    expect((await create(project).expect(422)).body.error.code).toBe(code);
    expect((await request(app).get('/api/projects')).body.projects).toEqual([]);
  });

  test('a newest revision that can not be read hides no older one, and is gone on from', async () => {
    await create(document('First'));
    await save(document('Second'), 1).expect(200);
    await save(document('Third'), 2).expect(200);
    const spoil = (number: number, text: string) =>
      database.tables.run(`UPDATE revisions SET document = '${text}' WHERE number = ${number}`);
    for (const text of [
      '{"schemaVersion":',
      '{"schemaVersion":1}',
      `{"$part":"${'0'.repeat(64)}"}`,
      '{"schemaVersion":99}',
    ]) {
      await spoil(3, text);
      const told = await request(app).get('/api/projects/p1').expect(422);
      expect(told.body.error).toMatchObject({ code: 'REVISION_UNREADABLE', params: { id: 'p1', revision: 3 } });
    }
    const { revisions } = (await request(app).get('/api/projects/p1/revisions').expect(200)).body;
    expect(revisions.map((r: { number: number }) => r.number)).toEqual([3, 2, 1]);
    expect((await request(app).get('/api/projects/p1/revisions/2').expect(200)).body.project.name).toBe('Second');
    expect((await save(document('Late'), 1).expect(422)).body.error.code).toBe('REVISION_UNREADABLE');
    expect((await save(document('On'), 3).expect(200)).body.revision).toBe(4);
    expect((await request(app).get('/api/projects/p1').expect(200)).body.project.name).toBe('On');
  });

  test('a project in the bin takes no saves and says why', async () => {
    await create(document());
    await request(app).delete('/api/projects/p1').expect(204);
    expect((await save(document('Row'), 1).expect(410)).body.error).toEqual({ code: 'BINNED', params: { id: 'p1' } });
    await request(app).post('/api/projects/p1/restore').expect(204);
    await save(document('Row'), 1).expect(200);
  });

  test('two servers on one folder: who comes second is told what stands, and nothing is lost', async () => {
    await create(document());
    const other = await openDatabase(folder);
    const second = createApp({ database: other, log: pino({ level: 'silent' }), hosts: ['127.0.0.1'] });
    try {
      for (let round = 0; round < 15; round++) {
        const { revision } = (await request(app).get('/api/projects/p1')).body;
        const put = (to: ReturnType<typeof createApp>, name: string) =>
          request(to)
            .put('/api/projects/p1')
            .set('idempotency-key', key())
            .send({ project: document(name), baseRevision: revision });
        const answers = await Promise.all([put(app, `here ${round}`), put(second, `there ${round}`)]);
        expect(answers.map((a) => a.status).sort()).toEqual([200, 409]);
        const won = answers.findIndex((a) => a.status === 200);
        expect(answers[1 - won].body.newer.project.name).toBe(won === 0 ? `here ${round}` : `there ${round}`);
      }
      const made = await Promise.all(
        [app, second].map((to, i) =>
          request(to)
            .post('/api/projects')
            .set('idempotency-key', key())
            .send({ project: { ...document(`n${i}`), id: 'new' } }),
        ),
      );
      expect(made.map((a) => a.status).sort()).toEqual([201, 409]);
    } finally {
      await other.close();
    }
  });

  test('a full disk is told as what it is, and nothing is half written', async () => {
    await create(document());
    const pages = await database.tables.get<Record<string, number>>('PRAGMA page_count');
    await database.tables.run(`PRAGMA max_page_count = ${Object.values(pages)[0]}`);
    const long = newProject('p1', 'Long', [
      newPiece(
        'a',
        'a',
        Array.from({ length: 9000 }, (_, i) => String((i * 7919) % 104_729)),
      ),
    ]);
    const full = await save(long, 1);
    expect([full.status, full.body.error.code]).toEqual([507, 'DISK_FULL']);
    await database.tables.run('PRAGMA max_page_count = 4294967294');
    expect((await request(app).get('/api/projects/p1')).body).toMatchObject({ revision: 1, project: { name: 'Kiln' } });
    await save(long, 1).expect(200);
    expect((await request(app).get('/api/projects/p1')).body.project).toEqual(long);
  });

  test('values are counted before they are parsed', async () => {
    const send = (body: string) =>
      request(app)
        .post('/api/projects')
        .set('content-type', 'application/json')
        .set('idempotency-key', key())
        .send(body);
    const many = Array.from({ length: 1_350_000 }, (_, i) => `"${i}":{}`).join(',');
    for (const body of [`{"project":{"pieces":{${many}}}}`, '['.repeat(1000), `[${'0,'.repeat(3e6)}0]`])
      expect((await send(body).expect(413)).body.error.code).toBe('TOO_LARGE');
    await request(app).get('/api/projects').expect(200);
  });

  test('broken requests get a coded answer', async () => {
    const raw = request(app)
      .post('/api/projects')
      .set('content-type', 'application/json')
      .set('idempotency-key', key());
    expect((await raw.send('{"project":').expect(400)).body.error.code).toBe('REQUEST_BROKEN');
    expect((await request(app).post('/api/projects').send({ project: document() }).expect(400)).body.error.code).toBe(
      'REQUEST_BROKEN',
    );
    expect((await request(app).get('/api/projects/..%2f..%2fetc').expect(404)).body.error.code).toBe('NOT_FOUND');
    expect((await request(app).get('/api/nowhere').expect(404)).body.error.code).toBe('NOT_FOUND');
    await create(document());
    const huge = { ...document(), name: 'x'.repeat(17 * 1024 * 1024) };
    expect((await save(huge, 1).expect(413)).body.error.code).toBe('TOO_LARGE');
  });
});

describe('safety', () => {
  test('security headers allow isolation and WebAssembly, nothing more', async () => {
    const { headers } = await request(app).get('/api/projects');
    expect(headers['cross-origin-opener-policy']).toBe('same-origin');
    expect(headers['cross-origin-embedder-policy']).toBe('require-corp');
    expect(headers['content-security-policy']).toContain("script-src 'self' 'wasm-unsafe-eval';");
  });

  test('changes from other pages and other host names are refused', async () => {
    const foreign = await create(document()).set('origin', 'http://elsewhere.example');
    expect([foreign.status, foreign.body.error.code]).toEqual([403, 'ORIGIN_FOREIGN']);
    expect((await request(app).get('/api/projects').set('host', 'rebound.example')).status).toBe(403);
    expect((await request(app).get('/api/projects').set('host', 'localhost:4173')).status).toBe(200);
  });

  test('where others can reach it, it still answers to its own names alone', async () => {
    const { hosts } = readSettings({ HOST: '0.0.0.0', FICTILE_HOSTS: 'kiln.row, Shop.row' });
    const open = createApp({ database, log: pino({ level: 'silent' }), hosts });
    const status = async (host: string) => (await request(open).get('/api/projects').set('host', host)).status;
    expect(await Promise.all(['kiln.row:4173', 'shop.row', 'localhost', '[::1]:80'].map(status))).toEqual(
      Array(4).fill(200),
    );
    expect(await Promise.all(['rebound.example', 'kiln.row.example', ''].map(status))).toEqual(Array(3).fill(403));
    expect(readSettings({ FICTILE_HOSTS: 'kiln.row' }).hosts).not.toContain('kiln.row');
  });
});

test('an upload of which no more comes is dropped; one that is slow is not', async () => {
  const checkAsset = (): Promise<void> => Promise.resolve();
  const patient = createApp({
    database,
    log: pino({ level: 'silent' }),
    hosts: ['localhost'],
    uploadIdleMs: 400,
    checkAsset,
  });
  const server = patient.listen(0, '127.0.0.1');
  await once(server, 'listening');
  const body = 'v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\n';
  const hash = createHash('sha256').update(body).digest('hex');
  const send = async (parts: readonly string[], pauseMs: number): Promise<string> => {
    const socket = connect((server.address() as AddressInfo).port, '127.0.0.1').on('error', () => undefined);
    let said = '';
    socket.on('data', (data) => (said += String(data)));
    socket.write(
      `PUT /api/assets/${hash}?kind=obj HTTP/1.1\r\nhost: localhost\r\nconnection: ` +
        `close\r\ncontent-length: ${body.length}\r\n\r\n`,
    );
    for (const part of parts) {
      socket.write(part);
      await new Promise((resolve) => setTimeout(resolve, pauseMs));
    }
    if (!socket.destroyed) await once(socket, 'close');
    return said.slice(0, 12);
  };
  const slowly = Array.from({ length: 7 }, (_, i) => body.slice(5 * i, 5 * i + 5));
  expect(await send([body.slice(0, 9)], 0)).toBe('');
  expect(await send(slowly, 150)).toBe('HTTP/1.1 201');
  server.close();
});

describe('assets', () => {
  const bytes = Buffer.from('some font');
  const hash = createHash('sha256').update(bytes).digest('hex');
  const put = (h: string, kind: string) =>
    request(app).put(`/api/assets/${h}?kind=${kind}`).set('content-type', 'application/octet-stream').send(bytes);

  test('are kept by the hash of their content after a check', async () => {
    expect((await put(hash, 'font').expect(201)).body).toEqual({ hash, kind: 'font', size: bytes.length });
    await put(hash, 'font').expect(201);
    const back = await request(app).get(`/api/assets/${hash}`).expect(200);
    expect(Buffer.compare(back.body, bytes)).toBe(0);
    expect(back.headers['cache-control']).toContain('immutable');
  });

  test('what is not there is not remembered as missing', async () => {
    for (const path of [`/api/assets/${hash}`, `/api/fonts/${hash}`]) {
      const { headers } = await request(app).get(path).expect(404);
      expect(headers['cache-control']).toBe('no-store');
    }
  });

  test('another hash, another kind and a failed check are refused', async () => {
    expect((await put('0'.repeat(64), 'font').expect(422)).body.error.code).toBe('HASH_DIFFERS');
    expect((await put(hash, 'script').expect(400)).body.error.code).toBe('REQUEST_BROKEN');
    expect((await put(hash, 'stl').expect(422)).body.error.code).toBe('MESH_BROKEN');
    await request(app).get(`/api/assets/${hash}`).expect(404);
  });
});

test('shipped fonts are listed and served; nothing else is', async () => {
  const list = await request(app).get('/api/fonts').expect(200);
  expect(list.body.families.length).toBeGreaterThanOrEqual(40);
  const { hash } = list.body.families[0].styles[0];
  const font = await request(app).get(`/api/fonts/${hash}`).buffer().expect(200);
  expect(createHash('sha256').update(font.body).digest('hex')).toBe(hash);
  await request(app).get('/api/fonts/WorkSans_400Regular.ttf').expect(404);
});

describe('fonts that are brought in', () => {
  const bring = (name: string, bytes: Buffer | string) =>
    request(app).post('/api/fonts').query({ name }).set('content-type', 'application/octet-stream').send(bytes);
  const families = async (): Promise<{ family: string; kind: string; styles: { name: string; hash: string }[] }[]> =>
    (await request(app).get('/api/fonts').expect(200)).body.families.filter((f: { kind: string }) => f.kind === 'own');

  test('come into the case by family, and are served as plain files', async () => {
    expect((await bring('a.ttf', 'Saltglaze Light').expect(201)).body).toEqual({ families: ['Saltglaze'], faces: 1 });
    await bring('b.woff2', 'Saltglaze Bold').expect(201);
    await bring('c.otf', 'Kiln Regular').expect(201);
    const [kiln, glaze] = (await families()).sort((a, b) => a.family.localeCompare(b.family));
    expect([kiln.family, glaze.family, glaze.styles.map((s) => s.name).sort()]).toEqual([
      'Kiln',
      'Saltglaze',
      ['Bold', 'Light'],
    ]);
    const file = await request(app).get(`/api/fonts/${kiln.styles[0].hash}`).buffer().expect(200);
    expect([file.body.toString(), file.headers['content-type']]).toEqual(['Kiln Regular', 'font/ttf']);
  });

  test('are taken out, and come back when they are brought in again', async () => {
    await bring('a.ttf', 'Kiln Regular').expect(201);
    await request(app).delete('/api/fonts/Kiln').expect(204);
    expect(await families()).toEqual([]);
    await request(app).delete('/api/fonts/Kiln').expect(404);
    await request(app).delete('/api/fonts/Work%20Sans').expect(404);
    await bring('a.ttf', 'Kiln Regular').expect(201);
    expect(await families()).toHaveLength(1);
  });

  test('another file of a style that is there is told, and chosen between', async () => {
    await bring('a.ttf', 'Kiln Regular').expect(201);
    await bring('b.ttf', 'Kiln Bold').expect(201);
    const [before] = await families();
    const told = await bring('newer.ttf', 'Kiln Regular 2').expect(409);
    expect(told.body.error).toEqual({ code: 'STYLE_THERE', params: { family: 'Kiln', styles: 'Regular' } });
    expect(await families()).toEqual([before]);
    const choose = (styles: string) =>
      request(app)
        .post('/api/fonts')
        .query({ name: 'newer.ttf', styles })
        .set('content-type', 'application/octet-stream')
        .send('Kiln Regular 2');
    expect((await choose('old').expect(201)).body).toEqual({ families: ['Kiln'], faces: 0 });
    expect(await families()).toEqual([before]);
    await choose('new').expect(201);
    const [after] = await families();
    expect(after.styles.map((s) => s.name).sort()).toEqual(['Bold', 'Regular']);
    expect(after.styles.find((s) => s.name === 'Regular')).not.toEqual(before.styles.find((s) => s.name === 'Regular'));
    await choose('both').expect(400);
  });

  test('what is no font is refused, and nothing is kept', async () => {
    expect((await bring('a.ttf', 'broken').expect(422)).body.error.code).toBe('FONT_BROKEN');
    expect((await bring('', 'Kiln Regular').expect(400)).body.error.code).toBe('REQUEST_BROKEN');
    expect((await bring('a.ttf', '').expect(400)).body.error.code).toBe('REQUEST_BROKEN');
    expect(await families()).toEqual([]);
  });
});

describe('drawn shapes', () => {
  const points = [{ in: 0.5, down: 0.25, smooth: true }];
  const keep = (address: string, body: object = { points }) => request(app).put(`/api/shapes/${address}`).send(body);
  const kept = async () => (await request(app).get('/api/shapes').expect(200)).body.shapes;

  test('are kept by kind and name, taken over under the same one, and dropped', async () => {
    await keep('edge/Kiln%20lip').expect(204);
    await keep('side/Kiln%20lip').expect(204);
    await keep('edge/Kiln%20lip', { points: [] }).expect(204);
    expect(await kept()).toHaveLength(2);
    expect(await kept()).toContainEqual({ kind: 'edge', name: 'Kiln lip', points: [] });
    await request(app).delete('/api/shapes/edge/Kiln%20lip').expect(204);
    await request(app).delete('/api/shapes/edge/Kiln%20lip').expect(404);
    expect(await kept()).toEqual([{ kind: 'side', name: 'Kiln lip', points }]);
  });

  test.each([
    ['a kind that is none', 'front/a', { points }],
    ['no name', 'edge/%20', { points }],
    ['points that lie too far out', 'edge/a', { points: [{ in: 9, down: 0, smooth: false }] }],
    ['no points', 'edge/a', {}],
  ])('%s is refused', async (_, address, body) => {
    expect((await keep(address, body).expect(400)).body.error.code).toBe('REQUEST_BROKEN');
    expect(await kept()).toEqual([]);
  });
});

test('the OpenAPI document names every address', async () => {
  const served = await request(app).get('/api/openapi.json').expect(200);
  expect(served.body).toEqual(openApiDocument());
  expect(Object.keys(served.body.paths)).toEqual([
    '/api/projects',
    '/api/projects/{id}',
    '/api/projects/{id}/restore',
    '/api/projects/{id}/revisions/{number}/name',
    '/api/projects/{id}/revisions',
    '/api/projects/{id}/revisions/{number}',
    '/api/assets/{hash}',
    '/api/fonts',
    '/api/fonts/{family}',
    '/api/fonts/{hash}',
    '/api/shapes',
    '/api/shapes/{kind}/{name}',
  ]);
});

test('sample projects are made once and never come back', async () => {
  expect(await seed(database)).toBe(19);
  expect(await seed(database)).toBe(0);
  const { body } = await request(app).get('/api/projects');
  expect(body.projects.map((p: { name: string }) => p.name)).toEqual([
    'Opening night',
    'House number 17',
    'Shop sign',
    'Guild board',
    'Tea room',
    'Bisque shelf',
    'Clay coil',
    'Salt wind',
    'Lamp over the door',
    'Mark of the Row',
    'Trial tiles',
    'Jug of the Row',
    'Bowl of plenty',
    'Curved tile',
    'Door plate',
    'Stamped tile',
    'Lantern board',
    'Basin with a raised rim',
    'Bent collar',
  ]);
});
