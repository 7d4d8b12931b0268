export { ProjectStore } from './projectStore.ts';
export type { ProjectState, SaveState } from './projectStore.ts';
//# sourceMappingURL=index.d.ts.map
