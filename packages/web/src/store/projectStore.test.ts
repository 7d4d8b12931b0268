import { jest } from '@jest/globals';
import { newPiece, newProject, type Project } from '@fictile/core';
import { takeDraft } from './drafts.ts';
import { ProjectStore } from './projectStore.ts';

const stored = {
  project: newProject('p', 'Kiln', [newPiece('a', 'Kiln', ['K'])]),
  revision: 3,
  updatedAt: '2026-11-25T12:00:00Z',
};
const rename = (name: string) => ({ kind: 'renameProject', name }) as const;

/** Stands in for the network and the browser's storage. */
let answers: ((sent: { project: Project; baseRevision: number }) => { status: number; body: unknown } | 'down')[];
let sent: { project: Project; baseRevision: number }[];
let shelf: Map<string, string>;

beforeEach(() => {
  FakeChannel.open.clear();
  jest.useFakeTimers();
  answers = [];
  sent = [];
  shelf = new Map();
  Object.assign(globalThis, {
    BroadcastChannel: FakeChannel,
    localStorage: {
      getItem: (k: string) => shelf.get(k) ?? null,
      setItem: (k: string, v: string) => shelf.set(k, v),
      removeItem: (k: string) => shelf.delete(k),
    },
    fetch: async (_: string, init: { body: string }) => {
      const request = JSON.parse(init.body) as (typeof sent)[number];
      sent.push(request);
      const answer = (answers.shift() ?? taken)(request);
      if (answer === 'down') throw new TypeError('no network');
      return { ok: answer.status < 300, status: answer.status, json: async () => answer.body };
    },
  });
});
afterEach(() => jest.useRealTimers());

/** Tabs of one browser, without a browser. */
class FakeChannel {
  static open = new Set<FakeChannel>();
  onmessage?: (event: { data: unknown }) => void;
  readonly #name: string;

  constructor(name: string) {
    this.#name = name;
    FakeChannel.open.add(this);
  }

  postMessage(data: unknown): void {
    // as browsers do
    if (!FakeChannel.open.has(this)) throw new DOMException('Channel is closed', 'InvalidStateError');
    for (const other of FakeChannel.open)
      if (other !== this && other.#name === this.#name) other.onmessage?.({ data: structuredClone(data) });
  }

  close(): void {
    FakeChannel.open.delete(this);
  }
}

const taken: (typeof answers)[number] = ({ baseRevision }) => ({
  status: 200,
  body: { revision: baseRevision + 1, updatedAt: stored.updatedAt },
});
const wait = (ms: number) => jest.advanceTimersByTimeAsync(ms);

test('saves within a second of the last edit, and the draft goes when it is acknowledged', async () => {
  const store = new ProjectStore(stored);
  store.edit(rename('A'));
  store.edit(rename('B'));
  expect(shelf.size).toBe(1);
  await wait(1000);
  expect(sent.map((s) => [s.project.name, s.baseRevision])).toEqual([['B', 3]]);
  expect([store.state.save, shelf.size]).toEqual(['saved', 0]);
  store.edit(rename('C'));
  await wait(1000);
  expect(sent[1].baseRevision).toBe(4);
});

test('a burst of typing undoes as one, a pause begins another', async () => {
  const store = new ProjectStore(stored);
  for (const name of ['A', 'AB', 'ABC']) store.edit(rename(name), 'name');
  await wait(1500);
  store.edit(rename('ABCD'), 'name');
  store.undo();
  expect(store.project.name).toBe('ABC');
  store.undo();
  expect(store.project.name).toBe('Kiln');
});

test('saves at least every five seconds while editing goes on', async () => {
  const store = new ProjectStore(stored);
  for (let i = 0; i < 100; i++) {
    store.edit(rename(`n${i}`));
    await wait(100);
  }
  expect(sent.length).toBeGreaterThanOrEqual(2);
});

test('without a server the words are kept in the browser and sent when it is back', async () => {
  answers = [() => 'down', () => ({ status: 503, body: {} })];
  const store = new ProjectStore(stored);
  store.edit(rename('A'));
  await wait(1000);
  expect([store.state.save, shelf.size]).toEqual(['offline', 1]);
  await wait(10_000);
  expect([store.state.save, shelf.size, sent.length]).toEqual(['saved', 0, 3]);
});

test('a reload while typing takes up the draft and sends it', async () => {
  new ProjectStore(stored).edit(rename('typed'));
  const again = new ProjectStore(stored, await takeDraft('p'));
  expect([again.project.name, again.state.save]).toEqual(['typed', 'unsaved']);
  await wait(1000);
  expect(sent[0].project.name).toBe('typed');
});

test('a newer version elsewhere is told, and nothing is sent until the person chose', async () => {
  const newer = { ...stored, revision: 9, project: { ...stored.project, name: 'theirs' } };
  answers = [() => ({ status: 409, body: { error: { code: 'REVISION_OLD', params: {} }, newer } })];
  const store = new ProjectStore(stored);
  store.edit(rename('mine'));
  await wait(1000);
  store.edit(rename('mine still'));
  await wait(10_000);
  expect([store.state.save, sent.length, store.project.name]).toEqual(['conflict', 1, 'mine still']);
  const names: unknown[] = [];
  answers = [
    ({ baseRevision }) => ({ status: 200, body: { revision: baseRevision + 1, updatedAt: stored.updatedAt } }),
    (sentName) => (names.push(sentName), { status: 204, body: {} }),
  ];
  expect(await store.takeTheirs('mine before')).toBe(true);
  expect(names).toEqual([{ name: 'mine before' }]);
  expect([sent[1].project.name, sent[1].baseRevision]).toEqual(['mine still', 9]);
  await wait(1000);
  expect([store.state.save, store.project.name, shelf.size]).toEqual(['saved', 'theirs', 0]);
  expect([sent.at(-1)?.project.name, sent.at(-1)?.baseRevision]).toEqual(['theirs', 10]);
  store.undo();
  expect(store.project.name).toBe('mine still');
});

test.each([
  ['can not be reached', (): 'down' => 'down'],
  [
    'has something newer still',
    () => ({ status: 409, body: { error: { code: 'REVISION_OLD', params: {} }, newer: { ...stored, revision: 12 } } }),
  ],
])('where mine can not be kept first, as the server %s, nothing is given up', async (_, answer) => {
  const newer = { ...stored, revision: 9, project: { ...stored.project, name: 'theirs' } };
  answers = [() => ({ status: 409, body: { error: { code: 'REVISION_OLD', params: {} }, newer } }), answer];
  const store = new ProjectStore(stored);
  store.edit(rename('mine'));
  await wait(1000);
  expect(await store.takeTheirs('mine before')).toBe(false);
  expect([store.state.save, store.project.name, shelf.size]).toEqual(['conflict', 'mine', 1]);
});

test('a store that is left with a save under way sends the last of it once, and then no more', async () => {
  let answered: (() => void) | undefined;
  const late = new Promise<void>((resolve) => (answered = resolve));
  const plain = globalThis.fetch;
  globalThis.fetch = (async (path: string, init: { body: string }) => {
    const response = await plain(path, init as never);
    await late;
    return response;
  }) as unknown as typeof fetch;
  const store = new ProjectStore(stored);
  store.edit(rename('A'));
  await wait(500);
  store.edit(rename('B'));
  store.stop();
  answered?.();
  await wait(60_000);
  expect(sent.map((s) => [s.project.name, s.baseRevision])).toEqual([
    ['A', 3],
    ['B', 4],
  ]);
  expect([store.state.save, shelf.size]).toEqual(['saved', 0]);
});

test('a page that is shown again goes on saving, and hears of other tabs', async () => {
  const [store, other] = [new ProjectStore(stored), new ProjectStore(stored)];
  store.stop();
  await wait(100);
  store.resume();
  store.edit(rename('A'));
  await wait(1000);
  expect([sent.length, store.state.save, other.project.name]).toEqual([1, 'saved', 'A']);
});

test('what the last of it could not be sent for stays as a draft, and nothing goes on', async () => {
  answers = [() => 'down'];
  const store = new ProjectStore(stored);
  store.edit(rename('A'));
  store.stop();
  await wait(60_000);
  expect([sent.length, shelf.size]).toEqual([1, 1]);
});

test.each([
  [507, 'DISK_FULL', 'full'],
  [500, 'DATABASE_DAMAGED', 'damaged'],
  [500, 'INTERNAL', 'offline'],
  [410, 'BINNED', 'binned'],
  [404, 'NOT_FOUND', 'gone'],
  [413, 'TOO_LARGE', 'large'],
  [422, 'PROJECT_BROKEN', 'refused'],
])('%i %s is told as %s, and the words stay', async (status, code, save) => {
  answers = Array.from({ length: 3 }, () => () => ({ status, body: { error: { code, params: {} } } }));
  const store = new ProjectStore(stored);
  store.edit(rename('A'));
  await wait(3000);
  expect([store.state.save, store.project.name, shelf.size]).toEqual([save, 'A', 1]);
  expect(sent.length).toBe(status >= 500 ? 2 : 1);
  answers = [];
  store.sendAgain();
  await wait(5000);
  expect([store.state.save, shelf.size]).toEqual(['saved', 0]);
});

test('a project that is gone from the server is made there again', async () => {
  answers = [
    () => ({ status: 404, body: { error: { code: 'NOT_FOUND', params: {} } } }),
    () => ({ status: 201, body: { revision: 1, updatedAt: stored.updatedAt } }),
  ];
  const store = new ProjectStore(stored);
  store.edit(rename('A'));
  await wait(1000);
  await store.makeAgain();
  store.edit(rename('B'));
  await wait(1000);
  expect([sent.at(-1)?.baseRevision, store.state.save]).toEqual([1, 'saved']);
});

test('another tab takes over what is saved here, unless something of its own waits', async () => {
  const [here, idle, busy] = [new ProjectStore(stored), new ProjectStore(stored), new ProjectStore(stored)];
  here.edit(rename('here'));
  await wait(300);
  busy.edit(rename('busy'));
  await wait(200);
  expect([idle.project.name, idle.state.save]).toEqual(['here', 'saved']);
  idle.undo(); // what another tab saved is one step
  expect(idle.project.name).toBe('Kiln');
  expect([busy.project.name, busy.state.save, busy.state.newer?.project.name]).toEqual(['busy', 'conflict', 'here']);
});

test('when the browser has no room left, that is known', async () => {
  answers = Array.from({ length: 9 }, () => () => 'down');
  globalThis.localStorage.setItem = () => {
    throw new Error('quota');
  };
  const store = new ProjectStore(stored);
  store.edit(rename('A'));
  await wait(1000);
  expect([store.state.save, store.state.isKept, store.project.name]).toEqual(['offline', false, 'A']);
});

test('an answer that got lost is no conflict', async () => {
  answers = [
    () => 'down',
    ({ project }) => ({
      status: 409,
      body: { error: { code: 'REVISION_OLD', params: {} }, newer: { ...stored, project, revision: 4 } },
    }),
  ];
  const store = new ProjectStore(stored);
  store.edit(rename('A'));
  await wait(5000);
  expect(store.state.save).toBe('saved');
});

test('a drag undoes as one, however long the hand rests in it', async () => {
  const store = new ProjectStore(stored);
  for (const name of ['A', 'B', 'C']) {
    store.edit(rename(name), 'drag 1', { isDrag: true });
    await wait(3000);
  }
  store.undo();
  expect(store.project.name).toBe(stored.project.name);
});

test('an edit that does not fit is refused and told; undo and redo are saved like edits', async () => {
  const store = new ProjectStore(stored);
  store.edit({ kind: 'setWords', pieceId: 'a', values: { sizeMm: -1 } });
  expect(store.state.refusal?.code).toBe('PROJECT_BROKEN');
  store.edit(rename('A'));
  store.undo();
  await wait(1000);
  expect([store.project.name, store.state.save, sent[0].project.name]).toEqual(['Kiln', 'saved', 'Kiln']);
});
