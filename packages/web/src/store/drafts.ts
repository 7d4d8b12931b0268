import { parseProject, type Project } from '@fictile/core';
import { liveTabs, tabName } from './tabs.ts';

/** A document that the server has not acknowledged yet, with the revision it grew from. */
export interface Draft {
  project: Project;
  baseRevision: number;
}

const prefixOf = (projectId: string): string => `fictile draft ${projectId} `;
const keyOf = (projectId: string): string => prefixOf(projectId) + tabName();

/** Keeps a draft in the browser, one a tab; false when there is no room for it. */
export function keepDraft({ project, baseRevision }: Draft): boolean {
  try {
    localStorage.setItem(keyOf(project.id), JSON.stringify({ project, baseRevision }));
    return true;
  } catch {
    return false;
  }
}

export function dropDraft(projectId: string): void {
  try {
    localStorage.removeItem(keyOf(projectId));
  } catch {
    // without storage there is no draft either
  }
}

/** This tab's draft of a project; where it has none, one that a closed tab left behind, which becomes this tab's. */
export async function takeDraft(projectId: string): Promise<Draft | undefined> {
  try {
    const mine = readDraft(keyOf(projectId));
    if (mine) return mine;
    const live = await liveTabs();
    const left = Object.keys(localStorage).find(
      (key) => key.startsWith(prefixOf(projectId)) && !live.has(key.slice(prefixOf(projectId).length)),
    );
    const draft = left === undefined ? undefined : readDraft(left);
    if (left === undefined || !draft || !keepDraft(draft)) return undefined;
    localStorage.removeItem(left);
    return draft;
  } catch {
    return undefined;
  }
}

function readDraft(key: string): Draft | undefined {
  const stored: unknown = JSON.parse(localStorage.getItem(key) ?? 'null');
  if (typeof stored !== 'object' || stored === null || !('project' in stored) || !('baseRevision' in stored))
    return undefined;
  const project = parseProject(stored.project);
  return project.ok && typeof stored.baseRevision === 'number'
    ? { project: project.value, baseRevision: stored.baseRevision }
    : undefined;
}
