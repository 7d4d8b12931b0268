import { jest } from '@jest/globals';
import { newPiece, newProject, seededRandom, type Project } from '@fictile/core';
import { ProjectStore } from './projectStore.ts';

const RUNS = 200;
const EDITS = 12;

/** A server and a line to it that loses questions and answers, and keeps others waiting. */
class BadLine {
  readonly revisions: { project: Project; name?: string }[];
  readonly #random: () => number;
  isGood = false;

  constructor(project: Project, random: () => number) {
    this.revisions = [{ project }];
    this.#random = random;
  }

  readonly fetch = async (path: string, init: { method: string; body: string }): Promise<unknown> => {
    const [before, after] = [this.#wait(), this.#wait()];
    const [lostAsking, lostAnswering] = [this.#loses(), this.#loses()];
    await pass(before);
    if (lostAsking) throw new TypeError('no network');
    const answer = this.#answer(path, JSON.parse(init.body) as never);
    await pass(after);
    if (lostAnswering) throw new TypeError('no network');
    return { ok: answer.status < 300, status: answer.status, json: async () => answer.body };
  };

  #wait = (): number => (this.isGood ? 5 : Math.floor(this.#random() * 3000));
  #loses = (): boolean => !this.isGood && this.#random() < 0.3;

  #answer(
    path: string,
    sent: { project: Project; baseRevision: number; name: string },
  ): { status: number; body: unknown } {
    const named = /revisions\/(\d+)\/name$/.exec(path);
    if (named) {
      this.revisions[Number(named[1]) - 1].name = sent.name;
      return { status: 204, body: {} };
    }
    const newest = this.revisions.length;
    const stored = (revision: number) => ({
      project: this.revisions[revision - 1].project,
      revision,
      updatedAt: '2026-11-30T12:00:00Z',
    });
    if (sent.baseRevision !== newest)
      return { status: 409, body: { error: { code: 'REVISION_OLD', params: {} }, newer: stored(newest) } };
    this.revisions.push({ project: sent.project });
    return { status: 200, body: { revision: newest + 1, updatedAt: '2026-11-30T12:00:00Z' } };
  }
}

const pass = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
const channels = new Set<Channel>();

class Channel {
  onmessage?: (event: { data: unknown }) => void;
  postMessage(data: unknown): void {
    if (!channels.has(this)) throw new DOMException('Channel is closed', 'InvalidStateError');
    const copy = structuredClone(data);
    for (const other of channels)
      if (other !== this) setTimeout(() => channels.has(other) && other.onmessage?.({ data: copy }), 3);
  }
  constructor() {
    channels.add(this);
  }
  close(): void {
    channels.delete(this);
  }
}

beforeEach(() => {
  channels.clear();
  jest.useFakeTimers();
});
afterEach(() => jest.useRealTimers());

/**
 * Two tabs type on the same project; in the end the line is good and whoever is told of something newer looks at it.
 */
async function run(seed: number): Promise<{ lost: string[]; conflicts: number }> {
  const random = seededRandom(seed);
  const project = newProject('p', 'start', [newPiece('a', 'a', ['K'])]);
  const line = new BadLine(project, random);
  const shelf = new Map<string, string>();
  const localStorage = {
    getItem: (k: string) => shelf.get(k) ?? null,
    setItem: (k: string, v: string) => shelf.set(k, v),
    removeItem: (k: string) => shelf.delete(k),
  };
  Object.assign(globalThis, { BroadcastChannel: Channel, localStorage, fetch: line.fetch });
  const tabs = [0, 1].map(() => new ProjectStore({ project, revision: 1, updatedAt: '2026-11-30T12:00:00Z' }));
  const last: (string | undefined)[] = [undefined, undefined];
  let conflicts = 0;
  const settle = async (i: number): Promise<void> => {
    if (tabs[i].state.save !== 'conflict') return;
    conflicts++;
    await tabs[i].takeTheirs(`mine of ${i}`);
  };
  for (let n = 0; n < EDITS; n++) {
    const i = random() < 0.5 ? 0 : 1;
    const name = `tab ${i} edit ${n}`;
    tabs[i].edit({ kind: 'renameProject', name }, `edit ${n}`);
    last[i] = name;
    await jest.advanceTimersByTimeAsync(Math.floor(random() * 4000));
    if (random() < 0.3) await Promise.race([settle(i), jest.advanceTimersByTimeAsync(9000)]);
  }
  line.isGood = true;
  for (let k = 0; k < 12; k++) {
    await jest.advanceTimersByTimeAsync(5000);
    for (const i of [0, 1]) await Promise.all([settle(i), jest.advanceTimersByTimeAsync(1000)]);
  }
  const saved = new Set(line.revisions.map((revision) => revision.project.name));
  for (const [i, tab] of tabs.entries()) {
    expect(tab.state.save).toBe('saved');
    tabs[i].stop();
  }
  expect(tabs[0].project.name).toBe(line.revisions.at(-1)?.project.name);
  expect(tabs[1].project).toEqual(tabs[0].project);
  await jest.advanceTimersByTimeAsync(100);
  return { lost: last.filter((name): name is string => name !== undefined && !saved.has(name)), conflicts };
}

test(`${RUNS} runs of two tabs on a bad line lose nothing that was typed last`, async () => {
  let conflicts = 0;
  for (let seed = 1; seed <= RUNS; seed++) {
    const done = await run(seed);
    expect([seed, done.lost]).toEqual([seed, []]);
    conflicts += done.conflicts;
  }
  expect(conflicts).toBeGreaterThan(RUNS / 4);
});
