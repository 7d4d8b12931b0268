import { asDocument, asProject } from './copies.ts';
import { applyPatches, diff, type Patch } from './patches.ts';
import type { Project } from './schema.ts';

/** Differences of two projects as documents keep them: a source that changes is one, however many copies follow it. */
export const projectDiff = (before: Project, after: Project): Patch[] => diff(asDocument(before), asDocument(after));

export const projectPatched = (project: Project, patches: readonly Patch[]): Project =>
  patches.length === 0 ? project : asProject(applyPatches(asDocument(project), patches));
