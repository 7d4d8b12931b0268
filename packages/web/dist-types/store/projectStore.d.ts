import type { StoredProject } from '@fictile/contract';
import { type Edit, type Failure, type History, type Project } from '@fictile/core';
export type SaveState = 'saved' | 'saving' | 'unsaved' | 'offline' | 'refused' | 'conflict';
export interface ProjectState {
  history: History;
  save: SaveState;
  /** what stands on the server, when someone else saved meanwhile */
  newer: StoredProject | undefined;
  /** why the last edit was not taken */
  refusal: Failure | undefined;
}
/**
 * One open project: its document, what can be undone, and its saving. Every edit is kept in the browser at once and sent within a second
 * after the last one, or every few seconds while editing goes on.
 */
export declare class ProjectStore {
  #private;
  constructor(stored: StoredProject);
  get state(): ProjectState;
  get project(): Project;
  readonly subscribe: (listener: () => void) => () => void;
  /** Edits with the same key in a row undo as one. */
  edit(edit: Edit, joinKey?: string): void;
  undo(): void;
  redo(): void;
  /** Takes what someone else saved; what was typed here since is given up on purpose. */
  takeTheirs(): void;
  /** After what is here was kept under another name. */
  forgetMine(): void;
  stop(): void;
}
//# sourceMappingURL=projectStore.d.ts.map
