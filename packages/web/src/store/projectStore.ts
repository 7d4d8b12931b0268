import type { StoredProject } from '@fictile/contract';
import {
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
import { api, Refused } from '../api/index.ts';
import { dropDraft, keepDraft, type Draft } from './drafts.ts';

export type SaveState = 'saved' | 'saving' | 'unsaved' | 'offline' | 'refused' | 'conflict';

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
 * One open project: its document, what can be undone, and its saving. Every edit is kept in the browser at once and sent within a second
 * after the last one, or every few seconds while editing goes on.
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

  /** `draft`: what an earlier life of the page could not send any more. */
  constructor(stored: StoredProject, draft?: Draft) {
    this.#revision = stored.revision;
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

  /** Edits with the same key in a row undo as one, as long as no pause parts them; those of one `drag` do however long the hand rests in it. */
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

  /** Takes what someone else saved; what was typed here since is given up on purpose. */
  takeTheirs(): void {
    const { newer } = this.#state;
    if (!newer) return;
    dropDraft(newer.project.id);
    this.#revision = newer.revision;
    this.#dirtySince = undefined;
    this.#set({ history: startHistory(newer.project), save: 'saved', newer: undefined });
  }

  /** After what is here was kept under another name. */
  forgetMine(): void {
    dropDraft(this.project.id);
  }

  /** Saves what waits; resolves when the server has it, or can't be reached. */
  async settle(): Promise<void> {
    clearTimeout(this.#timer);
    while (this.#sending) await new Promise((resolve) => setTimeout(resolve, 20));
    await this.#send();
  }

  stop(): void {
    clearTimeout(this.#timer);
    this.#channel?.close();
    if (this.#dirtySince !== undefined) void this.#send();
  }

  /** Other tabs with the same project: what they save is taken over where nothing of ours waits. */
  #listen(projectId: string): void {
    if (typeof BroadcastChannel === 'undefined') return;
    this.#channel = new BroadcastChannel(`fictile project ${projectId}`);
    this.#channel.onmessage = (event: MessageEvent<StoredProject>) => this.#meetOther(event.data);
  }

  #meetOther(newer: StoredProject): void {
    if (newer.revision <= this.#revision) return;
    if (this.#dirtySince !== undefined || this.#sending) this.#set({ save: 'conflict', newer });
    else {
      this.#revision = newer.revision;
      this.#set({ history: startHistory(newer.project), save: 'saved' });
    }
  }

  #change(history: History): void {
    if (history === this.#state.history) return;
    const changed = history.project !== this.#state.history.project;
    this.#set({ history, refusal: undefined });
    if (!changed) return;
    this.#dirtySince ??= Date.now();
    this.#set({ isKept: keepDraft({ project: history.project, baseRevision: this.#revision }) });
    if (this.#state.save !== 'conflict' && this.#state.save !== 'offline') this.#set({ save: 'unsaved' });
    const waited = Date.now() - this.#dirtySince;
    this.#sendLater(Math.max(0, Math.min(QUIET_MS, LONGEST_WAIT_MS - waited)));
  }

  #sendLater(wait: number): void {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.#send(), wait);
  }

  async #send(): Promise<void> {
    if (this.#sending || this.#state.save === 'conflict' || this.#dirtySince === undefined) return;
    this.#sending = true;
    const project = this.project;
    this.#dirtySince = undefined;
    if (this.#state.save !== 'offline') this.#set({ save: 'saving' });
    try {
      const result = await api.saveProject(project, this.#revision, crypto.randomUUID());
      if (result.kind === 'conflict') this.#meetConflict(project, result.newer);
      else this.#acknowledge(project, result.saved.revision);
    } catch (error) {
      this.#dirtySince ??= Date.now();
      if (error instanceof Refused) this.#set({ save: 'refused' });
      else {
        this.#set({ save: 'offline' });
        this.#sendLater(RETRY_MS);
      }
    } finally {
      this.#sending = false;
      if (this.#dirtySince !== undefined && this.#state.save !== 'offline' && this.#state.save !== 'refused')
        this.#sendLater(QUIET_MS);
    }
  }

  #acknowledge(sent: Project, revision: number): void {
    this.#revision = revision;
    this.#channel?.postMessage({
      project: sent,
      revision,
      updatedAt: new Date().toISOString(),
    } satisfies StoredProject);
    if (this.project === sent) {
      dropDraft(sent.id);
      this.#set({ save: 'saved', newer: undefined });
    } else {
      keepDraft({ project: this.project, baseRevision: revision });
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
