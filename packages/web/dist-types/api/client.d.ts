import { type FontFamilyInfo, type ProjectCard, type Saved, type StoredProject } from '@fictile/contract';
import type { Project } from '@fictile/core';
/** No answer came, or the server itself failed: trying again later makes sense. */
export declare class Unreachable extends Error {}
/** The server answered, and refuses. */
export declare class Refused extends Error {
  readonly status: number;
  constructor(status: number);
}
export type SaveResult =
  | {
      kind: 'saved';
      saved: Saved;
    }
  | {
      kind: 'conflict';
      newer: StoredProject;
    };
export declare const api: {
  listProjects: () => Promise<ProjectCard[]>;
  readProject: (id: string) => Promise<StoredProject>;
  listFonts: () => Promise<FontFamilyInfo[]>;
  createProject: (project: Project, key: string) => Promise<Saved>;
  saveProject: (project: Project, baseRevision: number, key: string) => Promise<SaveResult>;
};
//# sourceMappingURL=client.d.ts.map
