import type { Result } from '../base/index.ts';
import { applyEdit, type Edit } from './edits.ts';
import { reversed, type Patch } from './patches.ts';
import { projectDiff, projectPatched } from './projectPatches.ts';
import type { Project } from './schema.ts';

interface Entry {
  edit: Edit;
  patches: Patch[];
  /** edits with the same key that follow one another are one entry */
  joinKey: string | undefined;
}

/**
 * The present document with what can be undone and redone, as reversible differences. Immutable: every call gives a new
 * one.
 */
export interface History {
  project: Project;
  past: readonly Entry[];
  future: readonly Entry[];
}

export const startHistory = (project: Project): History => ({ project, past: [], future: [] });

/** Edits that say the same `joinKey` in a row (a drag, a burst of typing) undo as one. */
export function commit(history: History, edit: Edit, joinKey?: string): Result<History> {
  const next = applyEdit(history.project, edit);
  if (!next.ok) return next;
  const patches = projectDiff(history.project, next.value);
  if (patches.length === 0) return { ok: true, value: history };
  const last = history.past[history.past.length - 1];
  const joins = joinKey !== undefined && last?.joinKey === joinKey && history.future.length === 0;
  const before = joins ? projectPatched(history.project, reversed(last.patches)) : history.project;
  const entry: Entry = { edit, patches: joins ? projectDiff(before, next.value) : patches, joinKey };
  // what was only tried and taken back leaves nothing to undo
  const kept = entry.patches.length > 0 ? [entry] : [];
  return {
    ok: true,
    value: { project: next.value, past: [...history.past.slice(0, joins ? -1 : undefined), ...kept], future: [] },
  };
}

export function undo(history: History): History {
  const last = history.past[history.past.length - 1];
  if (!last) return history;
  return {
    project: projectPatched(history.project, reversed(last.patches)),
    past: history.past.slice(0, -1),
    future: [{ ...last, joinKey: undefined }, ...history.future],
  };
}

export function redo(history: History): History {
  const [next, ...rest] = history.future;
  if (!next) return history;
  return { project: projectPatched(history.project, next.patches), past: [...history.past, next], future: rest };
}
