/** What the page posts first: memory that both see. */
export interface StartMessage {
  kind: 'start';
  shared: SharedArrayBuffer;
  /** it may have others work along */
  isCrewed?: boolean;
}

/** Places of that memory: the newest serial, and signs of life that the worker counts up. */
export const SHARED = { newest: 0, alive: 1 } as const;
