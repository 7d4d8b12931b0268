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
  store.takeTheirs();
  expect([store.state.save, store.project.name, shelf.size]).toEqual(['saved', 'theirs', 0]);
});

test('another tab takes over what is saved here, unless something of its own waits', async () => {
  const [here, idle, busy] = [new ProjectStore(stored), new ProjectStore(stored), new ProjectStore(stored)];
  here.edit(rename('here'));
  await wait(300);
  busy.edit(rename('busy'));
  await wait(200);
  expect([idle.project.name, idle.state.save]).toEqual(['here', 'saved']);
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
