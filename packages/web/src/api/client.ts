import {
  conflictSchema,
  fontListSchema,
  IDEMPOTENCY_HEADER,
  projectListSchema,
  revisionListSchema,
  savedSchema,
  storedProjectSchema,
  type FontFamilyInfo,
  type ProjectCard,
  type Revision,
  type Saved,
  type StoredProject,
} from '@fictile/contract';
import type { Project } from '@fictile/core';

/** No answer came, or the server itself failed: trying again later makes sense. */
export class Unreachable extends Error {}

/** The server answered, and refuses. */
export class Refused extends Error {
  readonly status: number;

  constructor(status: number) {
    super(`refused with ${status}`);
    this.status = status;
  }
}

export type SaveResult = { kind: 'saved'; saved: Saved } | { kind: 'conflict'; newer: StoredProject };

export const api = {
  listProjects: async (): Promise<ProjectCard[]> => projectListSchema.parse(await get('/api/projects')).projects,

  readProject: async (id: string): Promise<StoredProject> => storedProjectSchema.parse(await get(addressOf(id))),

  listBin: async (): Promise<ProjectCard[]> => projectListSchema.parse(await get('/api/projects?bin=true')).projects,

  bin: (id: string): Promise<void> => done(reach(addressOf(id), { method: 'DELETE' })),

  restore: (id: string): Promise<void> => done(reach(`${addressOf(id)}/restore`, { method: 'POST' })),

  listRevisions: async (id: string): Promise<Revision[]> =>
    revisionListSchema.parse(await get(`${addressOf(id)}/revisions`)).revisions,

  readRevision: async (id: string, number: number): Promise<StoredProject> =>
    storedProjectSchema.parse(await get(`${addressOf(id)}/revisions/${number}`)),

  nameRevision: (id: string, number: number, name: string | null): Promise<void> =>
    done(
      reach(`${addressOf(id)}/revisions/${number}/name`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ name }),
      }),
    ),

  listFonts: async (): Promise<FontFamilyInfo[]> => fontListSchema.parse(await get('/api/fonts')).families,

  createProject: async (project: Project, key: string): Promise<Saved> => {
    const response = await send('POST', '/api/projects', { project }, key);
    return savedSchema.parse(await bodyOf(response));
  },

  saveProject: async (project: Project, baseRevision: number, key: string): Promise<SaveResult> => {
    const response = await send('PUT', addressOf(project.id), { project, baseRevision }, key);
    if (response.status === 409) return { kind: 'conflict', newer: conflictSchema.parse(await response.json()).newer };
    return { kind: 'saved', saved: savedSchema.parse(await bodyOf(response)) };
  },
};

const addressOf = (id: string): string => `/api/projects/${encodeURIComponent(id)}`;

async function done(asked: Promise<Response>): Promise<void> {
  const response = await asked;
  if (!response.ok) throw new Refused(response.status);
}

async function get(path: string): Promise<unknown> {
  return bodyOf(await reach(path));
}

const send = (method: string, path: string, body: unknown, key: string): Promise<Response> =>
  reach(path, {
    method,
    headers: { 'content-type': 'application/json', [IDEMPOTENCY_HEADER]: key },
    body: JSON.stringify(body),
  });

async function reach(path: string, init?: RequestInit): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(path, init);
  } catch {
    throw new Unreachable();
  }
  if (response.status >= 500) throw new Unreachable();
  return response;
}

async function bodyOf(response: Response): Promise<unknown> {
  if (!response.ok) throw new Refused(response.status);
  return response.json();
}
