import type { WorkFigures } from '@fictile/core';

/** What was worked out for the view: exactly, roughly while a hand was at work, or taken from what was kept. */
export type ActionKind = 'exact' | 'preview' | 'kept';

/** How long something took to stand in the view. */
export interface Action {
  kind: ActionKind;
  /** from the change to the renderer's buffers, ms */
  milliseconds: number;
  faces: number;
  /** what the worker says of it; undefined where it had no part in it */
  work: WorkFigures | undefined;
}

const MOST = 60;
const LONG_TASK = 'longtask';

/** Newest first. Lists are replaced, never changed, so that who shows them sees the change. */
let actions: readonly Action[] = [];
let longTasks: readonly number[] = [];
const listeners = new Set<() => void>();

const tell = (): void => listeners.forEach((listener) => listener());

export function noteAction(action: Action): void {
  actions = [action, ...actions].slice(0, MOST);
  tell();
}

export const actionsSoFar = (): readonly Action[] => actions;

/** Times in which the page's own thread could not answer a hand, ms; newest first. */
export const longTasksSoFar = (): readonly number[] => longTasks;

export function onAction(listener: () => void): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}

let isWatching = false;

/** Counts them from now on, where the browser can; once for the whole page, however often somebody begins. */
export function watchLongTasks(): void {
  if (isWatching || typeof PerformanceObserver === 'undefined') return;
  if (!PerformanceObserver.supportedEntryTypes?.includes(LONG_TASK)) return;
  isWatching = true;
  const observer = new PerformanceObserver((list) => {
    longTasks = [...list.getEntries().map(({ duration }) => duration), ...longTasks].slice(0, 10 * MOST);
    tell();
  });
  observer.observe({ type: LONG_TASK, buffered: true });
}
