import { type Project } from '@fictile/core';
/** A document that the server has not acknowledged yet, with the revision it grew from. */
export interface Draft {
  project: Project;
  baseRevision: number;
}
/** Keeps a draft in the browser; false when there is no room for it. */
export declare function keepDraft({ project, baseRevision }: Draft): boolean;
export declare function readDraft(projectId: string): Draft | undefined;
export declare function dropDraft(projectId: string): void;
//# sourceMappingURL=drafts.d.ts.map
