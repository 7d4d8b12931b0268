import { parseProject, type Project } from '@fictile/core';

/** A document that the server has not acknowledged yet, with the revision it grew from. */
export interface Draft {
  project: Project;
  baseRevision: number;
}

const keyOf = (projectId: string): string => `fictile draft ${projectId}`;

/** Keeps a draft in the browser; false when there is no room for it. */
export function keepDraft({ project, baseRevision }: Draft): boolean {
  try {
    localStorage.setItem(keyOf(project.id), JSON.stringify({ project, baseRevision }));
    return true;
  } catch {
    return false;
  }
}

export function readDraft(projectId: string): Draft | undefined {
  try {
    const stored: unknown = JSON.parse(localStorage.getItem(keyOf(projectId)) ?? 'null');
    if (typeof stored !== 'object' || stored === null || !('project' in stored) || !('baseRevision' in stored))
      return undefined;
    const project = parseProject(stored.project);
    return project.ok && typeof stored.baseRevision === 'number'
      ? { project: project.value, baseRevision: stored.baseRevision }
      : undefined;
  } catch {
    return undefined;
  }
}

export function dropDraft(projectId: string): void {
  try {
    localStorage.removeItem(keyOf(projectId));
  } catch {
    // without storage there is no draft either
  }
}
