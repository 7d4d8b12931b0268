import { applyEdit, newPiece, newProject, seededRandom, unwrap, type Project } from '@fictile/core';
import { DraftKeeper, takeDraft } from './drafts.ts';
import { tabName } from './tabs.ts';
import type { Whole, Wholes } from './wholes.ts';

let shelf: Map<string, string>;
let room: number;

beforeEach(() => {
  shelf = new Map();
  room = Infinity;
  const storage = {
    getItem: (k: string) => shelf.get(k) ?? null,
    setItem: (k: string, v: string) => {
      const others = [...shelf].reduce((sum, [key, value]) => (key === k ? sum : sum + value.length), 0);
      if (others + v.length > room) throw new Error('quota');
      shelf.set(k, v);
    },
    removeItem: (k: string) => shelf.delete(k),
  };
  // its keys are the names, as browsers have it
  const localStorage = new Proxy(storage, {
    ownKeys: () => [...shelf.keys()],
    getOwnPropertyDescriptor: (_, key) =>
      shelf.has(String(key)) ? { enumerable: true, configurable: true } : undefined,
  });
  Object.assign(globalThis, { localStorage });
});

/** A browser's database, which writes when it is told that time has passed; those of a life that ended are lost. */
class SlowWholes implements Wholes {
  readonly kept = new Map<string, Whole>();
  #waiting: { name: string; whole: Whole; done: (failed: boolean) => void }[] = [];
  isFull = false;

  put(name: string, whole: Whole): Promise<void> {
    return new Promise((resolve, reject) =>
      this.#waiting.push({ name, whole, done: (failed) => (failed ? reject(new Error('quota')) : resolve()) }),
    );
  }
  async write(): Promise<void> {
    for (const { name, whole, done } of this.#waiting.splice(0)) {
      if (!this.isFull) this.kept.set(name, structuredClone(whole));
      done(this.isFull);
    }
    await new Promise((resolve) => setTimeout(resolve, 0));
  }
  die = (): void => void (this.#waiting = []);
  get = async (name: string) => this.kept.get(name);
  drop = async (name: string) => void this.kept.delete(name);
  names = async () => [...this.kept.keys()];
}

const large = newProject('p', 'Kiln', [
  newPiece(
    'a',
    'a',
    Array.from({ length: 12_200 }, (_, i) => String(i % 977)),
  ),
]);
const small = newProject('p', 'Kiln', [newPiece('a', 'a', ['K'])]);
const named = (project: Project, name: string): Project => unwrap(applyEdit(project, { kind: 'renameProject', name }));
const keeper = (project: Project, wholes: Wholes, onKept: (isKept: boolean) => void = () => undefined) =>
  new DraftKeeper({ project, revision: 3, isStored: true, onKept, wholes });

test('a small document is in localStorage at once', async () => {
  const wholes = new SlowWholes();
  keeper(small, wholes).keep({ project: named(small, 'A'), baseRevision: 3 });
  wholes.die();
  expect(await takeDraft('p', { wholes })).toEqual({ project: named(small, 'A'), baseRevision: 3 });
});

test('of a large one each change is in the journal at once, before and after the whole is written', async () => {
  const wholes = new SlowWholes();
  const keeps = keeper(large, wholes);
  const readRevision = async () => large;
  for (const name of ['A', 'B']) keeps.keep({ project: named(large, name), baseRevision: 3 });
  expect((await takeDraft('p', { wholes, readRevision }))?.project.name).toBe('B');
  expect(await takeDraft('p', { wholes })).toBeUndefined(); // offline, and nothing whole yet
  await wholes.write();
  expect((await takeDraft('p', { wholes }))?.project).toEqual(named(large, 'B'));
  keeps.keep({ project: named(large, 'C'), baseRevision: 3 });
  expect((await takeDraft('p', { wholes }))?.project).toEqual(named(large, 'C'));
  const [text] = shelf.values();
  expect(text.length).toBeLessThan(1000);
  keeps.drop();
  expect([shelf.size, wholes.kept.size]).toEqual([0, 0]);
});

test('killed at any moment, the newest change is there', async () => {
  const random = seededRandom(19);
  let waited = 0;
  for (let life = 0; life < 6; life++) {
    shelf.clear();
    const wholes = new SlowWholes();
    let server = { project: large, revision: 3 };
    const keeps = keeper(large, wholes);
    let project = large;
    let waits = false;
    for (let step = 0, end = 1 + Math.floor(random() * 25); step < end; step++) {
      const dice = random();
      if (dice < 0.2) await wholes.write();
      else if (dice < 0.3 && waits) {
        // all of it is saved
        server = { project, revision: server.revision + 1 };
        keeps.drop();
        waits = false;
      } else if (dice < 0.4 && waits) {
        // what was sent a while ago is saved, more waits
        const sent = project;
        server = { project: sent, revision: server.revision + 1 };
        project = named(project, `${life} ${step} more`);
        keeps.keep({ project, baseRevision: server.revision - 1 });
        keeps.rebase(sent, { project, baseRevision: server.revision });
      } else {
        project = named(project, `${life} ${step}`);
        keeps.keep({ project, baseRevision: server.revision });
        waits = true;
      }
    }
    wholes.die();
    const draft = await takeDraft('p', { wholes, readRevision: async () => server.project });
    if (waits) waited++;
    if (waits) expect([draft?.project.name, draft?.baseRevision]).toEqual([project.name, server.revision]);
    if (waits) expect(draft?.project).toEqual(project);
    else expect(draft?.project ?? server.project).toEqual(server.project);
  }
  expect(waited).toBeGreaterThan(2);
});

test('where there is no room it is said, and where there is some again as well', async () => {
  const wholes = new SlowWholes();
  const told: boolean[] = [];
  const keeps = keeper(large, wholes, (isKept) => told.push(isKept));
  room = 10;
  wholes.isFull = true;
  keeps.keep({ project: named(large, 'A'), baseRevision: 3 });
  await wholes.write();
  expect(told.at(-1)).toBe(false);
  wholes.isFull = false;
  keeps.keep({ project: named(large, 'B'), baseRevision: 3 });
  await wholes.write();
  expect(told.at(-1)).toBe(true);
  expect((await takeDraft('p', { wholes }))?.project.name).toBe('B');
});

test("what a closed tab left becomes this one's", async () => {
  const wholes = new SlowWholes();
  keeper(large, wholes).keep({ project: named(large, 'A'), baseRevision: 3 });
  await wholes.write();
  const own = `fictile draft p ${tabName()}`;
  const whole = wholes.kept.get(own);
  if (!whole) throw new Error('nothing was kept');
  shelf.set('fictile draft p gone', shelf.get(own) ?? '');
  wholes.kept.set('fictile draft p gone', whole);
  shelf.delete(own);
  wholes.kept.delete(own);
  const taking = takeDraft('p', { wholes });
  for (let i = 0; i < 5; i++) await wholes.write();
  expect((await taking)?.project.name).toBe('A');
  expect([...wholes.kept.keys()]).toEqual([own]);
  expect([...shelf.keys()]).toEqual([own]);
});

test.each(['{"baseRevision":3}', 'null', '{"project":{},"baseRevision":3}', 'no JSON', '{"changes":[]}'])(
  'what is no draft (%s) is none',
  async (text) => {
    shelf.set(`fictile draft p ${tabName()}`, text);
    expect(await takeDraft('p', { wholes: new SlowWholes() })).toBeUndefined();
  },
);
