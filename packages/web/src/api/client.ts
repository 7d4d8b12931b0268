import {
  broughtFontsSchema,
  conflictSchema,
  errorSchema,
  fontListSchema,
  IDEMPOTENCY_HEADER,
  projectListSchema,
  revisionListSchema,
  savedSchema,
  shapeListSchema,
  storedProjectSchema,
  type BroughtFonts,
  type FontFamilyInfo,
  type KeptShape,
  type ProjectCard,
  type Revision,
  type Saved,
  type StoredProject,
} from '@fictile/contract';
import { asDocument, type Model, type Project } from '@fictile/core';

/** No answer came, or the server itself failed: trying again later makes sense. */
export class Unreachable extends Error {
  /** of the error, where the server gave one */
  readonly code: string | undefined;

  constructor(code?: string) {
    super(code ?? 'no answer');
    this.code = code;
  }
}

/** The server answered, and refuses. */
export class Refused extends Error {
  readonly status: number;
  /** of the error, where the answer held one */
  readonly code: string | undefined;
  readonly params: Readonly<Record<string, unknown>>;

  constructor(status: number, told?: { code: string; params: Readonly<Record<string, unknown>> }) {
    super(`refused with ${status}`);
    this.status = status;
    this.code = told?.code;
    this.params = told?.params ?? {};
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

  /** a font file of any kind; gives the families that its faces went to */
  /**
   * `styles`: which files are to be used where other ones of the same styles are there; without it such a file is
   * refused
   */
  bringFont: async (name: string, bytes: Blob, styles?: 'new' | 'old'): Promise<BroughtFonts> => {
    const path = `/api/fonts?name=${encodeURIComponent(name.slice(-200))}${styles ? `&styles=${styles}` : ''}`;
    const headers = { 'content-type': 'application/octet-stream' };
    return broughtFontsSchema.parse(await bodyOf(await reach(path, { method: 'POST', headers, body: bytes })));
  },

  readFont: async (hash: string): Promise<Uint8Array> => {
    const response = await reach(`/api/fonts/${hash}`);
    if (!response.ok) throw new Refused(response.status);
    return new Uint8Array(await response.arrayBuffer());
  },

  /** a mesh file, kept by the hash of its bytes */
  putModel: async (
    { asset, format }: Pick<Model, 'asset' | 'format'>,
    bytes: Blob,
    signal?: AbortSignal,
  ): Promise<void> => {
    const headers = { 'content-type': 'application/octet-stream' };
    await bodyOf(await reach(`/api/assets/${asset}?kind=${format}`, { method: 'PUT', headers, body: bytes, signal }));
  },

  readModel: async (asset: string): Promise<Uint8Array> => {
    const response = await reach(`/api/assets/${asset}`);
    if (!response.ok) throw new Refused(response.status);
    return new Uint8Array(await response.arrayBuffer());
  },

  removeFont: (family: string): Promise<void> =>
    done(reach(`/api/fonts/${encodeURIComponent(family)}`, { method: 'DELETE' })),

  listShapes: async (): Promise<KeptShape[]> => shapeListSchema.parse(await get('/api/shapes')).shapes,

  keepShape: ({ kind, name, points }: KeptShape): Promise<void> =>
    done(
      reach(shapeAddress({ kind, name }), {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ points }),
      }),
    ),

  dropShape: (shape: Pick<KeptShape, 'kind' | 'name'>): Promise<void> =>
    done(reach(shapeAddress(shape), { method: 'DELETE' })),

  createProject: async (project: Project, key: string): Promise<Saved> => {
    const response = await send('POST', '/api/projects', { project: asDocument(project) }, { key });
    return savedSchema.parse(await bodyOf(response));
  },

  saveProject: async (project: Project, baseRevision: number, key: string): Promise<SaveResult> => {
    const response = await send('PUT', addressOf(project.id), { project: asDocument(project), baseRevision }, { key });
    if (response.status === 409) return { kind: 'conflict', newer: conflictSchema.parse(await response.json()).newer };
    return { kind: 'saved', saved: savedSchema.parse(await bodyOf(response)) };
  },
};

const shapeAddress = ({ kind, name }: Pick<KeptShape, 'kind' | 'name'>): string =>
  `/api/shapes/${kind}/${encodeURIComponent(name)}`;

const addressOf = (id: string): string => `/api/projects/${encodeURIComponent(id)}`;

async function done(asked: Promise<Response>): Promise<void> {
  const response = await asked;
  if (!response.ok) throw new Refused(response.status, await toldBy(response));
}

async function get(path: string): Promise<unknown> {
  return bodyOf(await reach(path));
}

const send = (method: string, path: string, body: unknown, { key }: { key: string }): Promise<Response> =>
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
  if (response.status >= 500) throw new Unreachable((await toldBy(response))?.code);
  return response;
}

async function bodyOf(response: Response): Promise<unknown> {
  if (response.ok) return response.json();
  throw new Refused(response.status, await toldBy(response));
}

async function toldBy(response: Response): Promise<{ code: string; params: Record<string, unknown> } | undefined> {
  return errorSchema.safeParse(await response.json().catch(() => undefined)).data?.error;
}
