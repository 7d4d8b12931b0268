export { endedWhileBuilding, markBuild } from './buildMarks.ts';
export { takeDraft } from './drafts.ts';
export type { Draft } from './drafts.ts';
export { ProjectStore } from './projectStore.ts';
export type { ProjectState, SaveState } from './projectStore.ts';
export { announceTab } from './tabs.ts';
export { keepMeshes, lastMeshes } from './lastMeshes.ts';
export { useProjects } from './useProjects.ts';
export { makeProject, wordsProject } from './makeProject.ts';
