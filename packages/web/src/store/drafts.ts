import {
  applyPatches,
  asDocument,
  parseProject,
  projectDiff,
  type Patch,
  type Project,
  type ProjectDocument,
} from '@fictile/core';
import { liveTabs, tabName } from './tabs.ts';
import { wholesInBrowser, type Wholes } from './wholes.ts';

/** A document that the server has not acknowledged yet, with the revision it grew from. */
export interface Draft {
  project: Project;
  baseRevision: number;
}

/**
 * Up to so many characters a document is kept whole, at once: there is nothing quicker or surer. Browsers take about
 * five million.
 */
const SMALL = 300_000;
/** A journal that grows longer gives way to a new whole. */
const LONGEST_JOURNAL = 400_000;

/** One change of a journal: its number, and what it put where. */
interface Change {
  n: number;
  patches: Pick<Patch, 'path' | 'after'>[];
}

/**
 * What stands in localStorage: all of a small document, or the changes of a large one since a whole that IndexedDB
 * holds.
 */
type Kept = { baseRevision: number; project: ProjectDocument } | Journal;

interface Journal {
  baseRevision: number;
  /** after so many changes the document was the revision it grew from; null: it never was */
  base: number | null;
  changes: Change[];
}

const prefixOf = (projectId: string): string => `fictile draft ${projectId} `;

interface KeeperOptions {
  /** where its changes begin, and the revision that the server had then */
  project: Project;
  revision: number;
  /** that project is the server's revision */
  isStored: boolean;
  onKept: (isKept: boolean) => void;
  wholes?: Wholes;
}

/**
 * Keeps one project's draft for one tab. Small documents go into localStorage whole, which survives the very moment of
 * a kill. Large ones go
 * into IndexedDB, which writes some time later; until it has, and since it has, every change is in a journal in
 * localStorage.
 */
export class DraftKeeper {
  readonly #id: string;
  readonly #wholes: Wholes;
  readonly #onKept: (isKept: boolean) => void;
  #last: Project;
  #isLarge = false;
  #n = 0;
  /** after how many changes a document was as it is */
  readonly #numbers = new WeakMap<Project, number>();
  #base: number | null;
  #baseRevision: number;
  #journal: Change[] = [];
  #putting = false;
  /** a newer whole is wanted than the one that is being written */
  #again: Draft | undefined;
  #isDropped = true;

  /** `onKept` is told whether the newest change is safe in this browser. */
  constructor({ project, revision, isStored: isBase, onKept, wholes = wholesInBrowser() }: KeeperOptions) {
    this.#id = project.id;
    this.#last = project;
    this.#base = isBase ? 0 : null;
    this.#baseRevision = revision;
    this.#onKept = onKept;
    this.#wholes = wholes;
  }

  get #name(): string {
    return prefixOf(this.#id) + tabName();
  }

  keep({ project, baseRevision }: Draft): void {
    const isFirst = this.#isDropped;
    this.#isDropped = false;
    this.#baseRevision = baseRevision;
    if (!this.#isLarge) {
      const text = JSON.stringify({ baseRevision, project: asDocument(project) } satisfies Kept);
      if (text.length <= SMALL) {
        this.#last = project;
        this.#onKept(write(this.#name, text));
        return;
      }
      this.#isLarge = true;
      remove(this.#name);
    }
    const patches = projectDiff(this.#last, project).map(({ path, after }) => ({ path, after }));
    this.#last = project;
    this.#journal.push({ n: ++this.#n, patches });
    this.#numbers.set(project, this.#n);
    const text = this.#journalText();
    // without a whole below it a journal is of use only while the server can be reached
    const isWritten = text.length <= LONGEST_JOURNAL && write(this.#name, text);
    if (isFirst || !isWritten) void this.#putWhole({ project, baseRevision }, isWritten);
    else this.#onKept(true);
  }

  /** The server has what was `sent`, as a revision; what was done since still waits. */
  rebase(sent: Project, draft: Draft): void {
    this.#base = this.#numbers.get(sent) ?? null;
    this.keep(draft);
  }

  /** Nothing waits any more. */
  drop(): void {
    this.#isDropped = true;
    this.#again = undefined;
    this.#journal = [];
    this.#base = this.#n;
    remove(this.#name);
    if (this.#isLarge) void this.#wholes.drop(this.#name).catch(() => undefined);
    this.#isLarge = false;
  }

  #journalText(): string {
    const journal = { baseRevision: this.#baseRevision, base: this.#base, changes: this.#journal };
    return JSON.stringify(journal satisfies Journal);
  }

  async #putWhole(draft: Draft, isWritten: boolean): Promise<void> {
    if (this.#putting) {
      this.#again = draft;
      return;
    }
    this.#putting = true;
    const upTo = this.#n;
    const done = await this.#wholes.put(this.#name, { ...draft, project: asDocument(draft.project), upTo }).then(
      () => true,
      () => false,
    );
    this.#putting = false;
    if (this.#isDropped) {
      void this.#wholes.drop(this.#name).catch(() => undefined);
      return;
    }
    if (done) {
      this.#journal = this.#journal.filter(({ n }) => n > upTo);
      write(this.#name, this.#journalText());
    }
    this.#onKept(done ? this.#n === upTo || isStored(this.#name) : isWritten);
    const again = this.#again;
    this.#again = undefined;
    if (again) await this.#putWhole(again, false);
  }
}

/**
 * A draft of a project that this tab, or one that is closed, left behind; undefined where there is none. It becomes
 * this tab's.
 */
export async function takeDraft(projectId: string, sources: Sources = {}): Promise<Draft | undefined> {
  const { wholes = wholesInBrowser(), readRevision } = sources;
  const own = prefixOf(projectId) + tabName();
  const mine = await readDraft(own, { wholes, readRevision });
  if (mine) return mine;
  for (const name of await leftBehind(projectId, wholes)) {
    const draft = await readDraft(name, { wholes, readRevision });
    if (!draft) continue;
    await handOver(name, draft, wholes);
    return draft;
  }
  return undefined;
}

/** Names under which tabs that are closed have left drafts of a project. Without storage there are none. */
async function leftBehind(projectId: string, wholes: Wholes): Promise<string[]> {
  try {
    const live = await liveTabs();
    const prefix = prefixOf(projectId);
    const names = [...Object.keys(localStorage), ...(await wholes.names().catch(() => []))];
    return [...new Set(names)].filter((name) => name.startsWith(prefix) && !live.has(name.slice(prefix.length)));
  } catch {
    return [];
  }
}

interface Sources {
  wholes?: Wholes;
  /** a revision of the server, for a journal whose whole was never written */
  readRevision?: (number: number) => Promise<Project>;
}

async function readDraft(name: string, sources: Sources): Promise<Draft | undefined> {
  try {
    return await joined(name, sources);
  } catch {
    return undefined; // what can't be read is no draft
  }
}

async function joined(name: string, { wholes, readRevision }: Sources): Promise<Draft | undefined> {
  const stored = JSON.parse(localStorage.getItem(name) ?? 'null') as Kept | null;
  if (stored && 'project' in stored) return checked(stored.project, stored.baseRevision);
  const whole = await wholes?.get(name).catch(() => undefined);
  if (!stored) return whole && checked(whole.project, whole.baseRevision);
  const { changes, base, baseRevision } = stored;
  const [first] = changes;
  // the whole is of a time from which all changes are known
  if (whole && (!first || first.n <= whole.upTo + 1))
    return checked(after(whole.project, changes, whole.upTo), baseRevision);
  const grown =
    base !== null && first && first.n <= base + 1
      ? await readRevision?.(baseRevision).catch(() => undefined)
      : undefined;
  if (grown) return checked(after(asDocument(grown), changes, base ?? 0), baseRevision);
  // an earlier state is better than none
  return whole && checked(whole.project, whole.baseRevision);
}

const after = (document: ProjectDocument, changes: readonly Change[], upTo: number): ProjectDocument =>
  changes
    .filter(({ n }) => n > upTo)
    .flatMap(({ patches }) => patches)
    .reduce((so, patch) => applyPatches(so, [{ ...patch, before: undefined }]), document);

function checked(document: unknown, baseRevision: number): Draft | undefined {
  const project = parseProject(document);
  return project.ok && typeof baseRevision === 'number' ? { project: project.value, baseRevision } : undefined;
}

/** Into this tab's name before it goes from the old one. */
async function handOver(from: string, draft: Draft, wholes: Wholes): Promise<void> {
  const { project, baseRevision: revision } = draft;
  const kept = await new Promise<boolean>((onKept) =>
    new DraftKeeper({ project, revision, isStored: false, onKept, wholes }).keep(draft),
  );
  if (!kept) return;
  remove(from);
  await wholes.drop(from).catch(() => undefined);
}

function write(name: string, text: string): boolean {
  try {
    localStorage.setItem(name, text);
    return true;
  } catch {
    return false;
  }
}

function remove(name: string): void {
  try {
    localStorage.removeItem(name);
  } catch {
    // what can't be taken away was never there
  }
}

function isStored(name: string): boolean {
  try {
    return localStorage.getItem(name) !== null;
  } catch {
    return false;
  }
}
