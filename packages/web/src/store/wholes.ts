import { createStore, del, entries, get, set } from 'idb-keyval';
import type { ProjectDocument } from '@fictile/core';

/** A whole document in the browser's database, as it was after so many changes. */
export interface Whole {
  project: ProjectDocument;
  baseRevision: number;
  /** the last change that it holds */
  upTo: number;
}

/** Where whole documents are kept; all of it may fail, as databases of browsers do. */
export interface Wholes {
  put(name: string, whole: Whole): Promise<void>;
  get(name: string): Promise<Whole | undefined>;
  drop(name: string): Promise<void>;
  names(): Promise<string[]>;
}

/** In IndexedDB, which takes documents of any size, and writes them some time after it was asked to. */
export function wholesInBrowser(): Wholes {
  let store: ReturnType<typeof createStore> | undefined;
  const open = () => (store ??= createStore('fictile', 'drafts'));
  return {
    put: async (name, whole) => set(name, whole, open()),
    get: async (name) => get<Whole>(name, open()),
    drop: async (name) => del(name, open()),
    names: async () => (await entries<string, Whole>(open())).map(([name]) => name),
  };
}
