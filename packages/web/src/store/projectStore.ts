import type { StoredProject } from '@fictile/contract';
import {
  isTooLarge,
  commit,
  redo,
  sameDocument,
  startHistory,
  undo,
  type Edit,
  type Failure,
  type History,
  type Project,
} from '@fictile/core';
import { api, Refused, Unreachable } from '../api/index.ts';
import { DraftKeeper, type Draft } from './drafts.ts';
import type { Wholes } from './wholes.ts';

export type SaveState =
  | 'saved'
  | 'saving'
  | 'unsaved'
  | 'offline'
  | 'full'
  | 'damaged'
  | 'refused'
  | 'large'
  | 'binned'
  | 'gone'
  | 'conflict';

/** Saving goes on by itself, later. */
const PASSES: readonly SaveState[] = ['offline', 'full', 'damaged'];
/** Saving waits for the person. */
const STANDS: readonly SaveState[] = ['refused', 'large', 'binned', 'gone', 'conflict'];

export interface ProjectState {
  history: History;
  save: SaveState;
  /** what stands on the server, when someone else saved meanwhile */
  newer: StoredProject | undefined;
  /** what is not saved yet is at least kept in this browser */
  isKept: boolean;
  /** why the last edit was not taken */
  refusal: Failure | undefined;
}

const QUIET_MS = 400;
const LONGEST_WAIT_MS = 4000;
const RETRY_MS = 2000;
/** A pause as long as this ends a burst of typing. */
const PAUSE_MS = 1200;

/**
 * One open project: its document, what can be undone, and its saving. Every edit is kept in the browser at once and
 * sent within a second after the last one, or every few seconds while editing goes on.
 */
export class ProjectStore {
  #state: ProjectState;
  #revision: number;
  #listeners = new Set<() => void>();
  #timer: ReturnType<typeof setTimeout> | undefined;
  #dirtySince: number | undefined;
  #sending = false;
  #channel: BroadcastChannel | undefined;
  #lastEdit = 0;
  #burst = 0;
  #isStopped = false;
  readonly #drafts: DraftKeeper;

  /** `draft`: what an earlier life of the page could not send any more. */
  constructor(stored: StoredProject, draft?: Draft, wholes?: Wholes) {
    this.#revision = stored.revision;
    this.#drafts = new DraftKeeper({
      project: draft?.project ?? stored.project,
      revision: draft?.baseRevision ?? stored.revision,
      isStored: !draft,
      onKept: (isKept) => this.#set({ isKept }),
      wholes,
    });
    this.#state = {
      history: startHistory(stored.project),
      save: 'saved',
      newer: undefined,
      isKept: true,
      refusal: undefined,
    };
    this.#listen(stored.project.id);
    if (!draft) return;
    this.#state = { ...this.#state, history: startHistory(draft.project), save: 'unsaved' };
    this.#revision = draft.baseRevision;
    this.#drafts.keep(draft);
    this.#dirtySince = Date.now();
    this.#sendLater(0);
  }

  get state(): ProjectState {
    return this.#state;
  }

  get project(): Project {
    return this.#state.history.project;
  }

  /** the newest revision that the server acknowledged to this tab */
  get revision(): number {
    return this.#revision;
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  /**
   * Edits with the same key in a row undo as one, as long as no pause parts them; those of one `drag` do however long
   * the hand rests in it.
   */
  edit(edit: Edit, joinKey?: string, { isDrag = false } = {}): void {
    if (Date.now() - this.#lastEdit > PAUSE_MS) this.#burst++;
    this.#lastEdit = Date.now();
    const next = commit(this.#state.history, edit, isDrag ? joinKey : joinKey && `${joinKey} ${this.#burst}`);
    if (!next.ok) this.#set({ refusal: next.error });
    else this.#change(next.value);
  }

  /** Undoes what was joined by a key, if it was the last; there is no redoing it. */
  takeBack(joinKey: string): void {
    const { history } = this.#state;
    if (history.past.at(-1)?.joinKey === joinKey) this.#change({ ...undo(history), future: [] });
  }

  undo(): void {
    this.#change(undo(this.#state.history));
  }

  redo(): void {
    this.#change(redo(this.#state.history));
  }

  /**
   * Takes what someone else saved. What is here is kept first, as a revision of that name, and undo leads back to it.
   * False: it could not be
   * kept, so nothing was taken.
   */
  async takeTheirs(nameOfMine: string): Promise<boolean> {
    const { newer } = this.#state;
    if (!newer || this.#sending) return false;
    this.#sending = true;
    try {
      let revision = newer.revision;
      // what is typed while it is being kept is kept as well
      for (let mine: Project | undefined; mine !== this.project;) {
        mine = this.project;
        const result = await api.saveProject(mine, revision, crypto.randomUUID());
        if (result.kind === 'conflict') {
          this.#set({ newer: result.newer });
          return false;
        }
        revision = result.saved.revision;
        await api.nameRevision(mine.id, revision, nameOfMine.slice(0, 200));
      }
      this.#revision = revision;
      this.#set({ save: 'unsaved', newer: undefined });
    } catch {
      return false;
    } finally {
      this.#sending = false;
    }
    this.edit({ kind: 'takeDocument', project: newer.project });
    // the same as theirs, and what was typed here meanwhile is undone by one step
    this.#dirtySince ??= Date.now();
    this.#sendLater(0);
    return true;
  }

  /** After what is here was kept under another name. */
  forgetMine(): void {
    this.#dirtySince = undefined;
    this.#drafts.drop();
  }

  /** Out of the bin, and saved. */
  async putBack(): Promise<void> {
    await api.restore(this.project.id);
    this.sendAgain();
  }

  /** Of a project that is gone from the server: made there anew, with its id. */
  async makeAgain(): Promise<void> {
    const { project } = this;
    const { revision } = await api.createProject(project, crypto.randomUUID());
    this.#acknowledge(project, revision);
    this.#sendLater(0);
  }

  /** After what stood in the way of saving is out of it. */
  sendAgain(): void {
    if (!STANDS.includes(this.#state.save)) return;
    this.#set({ save: 'unsaved' });
    this.#dirtySince ??= Date.now();
    this.#sendLater(0);
  }

  /** There is work here that neither the server nor this browser holds. */
  get isUnkept(): boolean {
    return this.#state.save !== 'saved' && !this.#state.isKept;
  }

  /** Saves what waits; resolves when the server has it, or can't be reached. */
  async settle(): Promise<void> {
    clearTimeout(this.#timer);
    while (this.#sending) await new Promise((resolve) => setTimeout(resolve, 20));
    await this.#send();
  }

  /** The last of it is sent; no more after that, whatever becomes of it: the draft stays. */
  stop(): void {
    this.#isStopped = true;
    clearTimeout(this.#timer);
    void this.#sendLast();
  }

  /** Goes on after a stop: the page was shown again. */
  resume(): void {
    if (!this.#isStopped) return;
    this.#isStopped = false;
    if (!this.#channel) this.#listen(this.project.id);
    if (this.#dirtySince !== undefined) this.#sendLater(0);
  }

  async #sendLast(): Promise<void> {
    while (this.#sending) await new Promise((resolve) => setTimeout(resolve, 20));
    await this.#send();
    if (!this.#isStopped) return;
    this.#channel?.close();
    this.#channel = undefined;
  }

  /** Other tabs with the same project: what they save is taken over where nothing of ours waits. */
  #listen(projectId: string): void {
    if (typeof BroadcastChannel === 'undefined') return;
    this.#channel = new BroadcastChannel(`fictile project ${projectId}`);
    this.#channel.onmessage = (event: MessageEvent<StoredProject>) => this.#meetOther(event.data);
  }

  #meetOther(newer: StoredProject): void {
    if (newer.revision <= this.#revision) return;
    // what waits for the person's word is as unsaved as what waits for the line
    const waits = this.#dirtySince !== undefined || this.#sending || STANDS.includes(this.#state.save);
    if (waits) this.#set({ save: 'conflict', newer });
    else {
      this.#revision = newer.revision;
      this.#takeOver(newer.project);
      this.#set({ save: 'saved' });
    }
  }

  /** As one step that undo leads back through: what could be undone here still can. */
  #takeOver(project: Project): void {
    const next = commit(this.#state.history, { kind: 'takeDocument', project }, 'from another tab');
    this.#set({ history: next.ok ? next.value : startHistory(project) });
  }

  #change(history: History): void {
    if (history === this.#state.history) return;
    const changed = history.project !== this.#state.history.project;
    this.#set({ history, refusal: undefined });
    if (!changed) return;
    this.#dirtySince ??= Date.now();
    this.#drafts.keep({ project: history.project, baseRevision: this.#revision });
    if (this.#state.save === 'refused' || this.#state.save === 'large') this.#set({ save: 'unsaved' });
    if (!STANDS.includes(this.#state.save) && !PASSES.includes(this.#state.save)) this.#set({ save: 'unsaved' });
    const waited = Date.now() - this.#dirtySince;
    this.#sendLater(Math.max(0, Math.min(QUIET_MS, LONGEST_WAIT_MS - waited)));
  }

  #sendLater(wait: number): void {
    clearTimeout(this.#timer);
    if (this.#isStopped) return;
    this.#timer = setTimeout(() => void this.#send(), wait);
  }

  async #send(): Promise<void> {
    if (this.#sending || STANDS.includes(this.#state.save) || this.#dirtySince === undefined) return;
    this.#sending = true;
    const project = this.project;
    this.#dirtySince = undefined;
    if (!PASSES.includes(this.#state.save)) this.#set({ save: 'saving' });
    try {
      const result = await api.saveProject(project, this.#revision, crypto.randomUUID());
      if (result.kind === 'conflict') this.#meetConflict(project, result.newer);
      else this.#acknowledge(project, result.saved.revision);
    } catch (error) {
      this.#dirtySince ??= Date.now();
      this.#set({ save: stateAfter(error) });
    } finally {
      this.#sending = false;
      const { save } = this.#state;
      if (this.#dirtySince !== undefined && !STANDS.includes(save))
        this.#sendLater(PASSES.includes(save) ? RETRY_MS : QUIET_MS);
    }
  }

  #acknowledge(sent: Project, revision: number): void {
    this.#revision = revision;
    const news: StoredProject = { project: sent, revision, updatedAt: new Date().toISOString() };
    this.#channel?.postMessage(news);
    if (this.project === sent) {
      this.#drafts.drop();
      this.#set({ save: 'saved', newer: undefined, isKept: true });
    } else {
      this.#drafts.rebase(sent, { project: this.project, baseRevision: revision });
      this.#dirtySince ??= Date.now();
      this.#set({ save: 'unsaved' });
    }
  }

  /** The same document saved twice (an answer that got lost) is no conflict. */
  #meetConflict(sent: Project, newer: StoredProject): void {
    if (sameDocument(newer.project, sent)) this.#acknowledge(sent, newer.revision);
    else this.#set({ save: 'conflict', newer });
  }

  #set(values: Partial<ProjectState>): void {
    this.#state = { ...this.#state, ...values };
    for (const listener of this.#listeners) listener();
  }
}

/** What a save that was not taken says of saving. */
function stateAfter(error: unknown): SaveState {
  if (error instanceof Unreachable)
    return error.code === 'DISK_FULL' ? 'full' : error.code === 'DATABASE_DAMAGED' ? 'damaged' : 'offline';
  if (!(error instanceof Refused)) return 'offline';
  if (error.code === 'BINNED') return 'binned';
  if (isTooLarge(error)) return 'large';
  return error.code === 'NOT_FOUND' ? 'gone' : 'refused';
}
