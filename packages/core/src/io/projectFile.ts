import { unzipSync, zipSync, type Zippable } from 'fflate';
import { fail, LIMITS, ok, type Result } from '../base/index.ts';
import { parseProject, type Project } from '../document/index.ts';
import { utf8Bytes } from './utf8.ts';

declare const TextDecoder: new (label: string, options: { fatal: boolean }) => { decode(bytes: Uint8Array): string };

const DOCUMENT = 'document.json';
const ASSETS = 'assets/';
/** Zip knows no year before 1980; a fixed one makes the same project the same bytes. */
const STAMP = '1980-01-01';

export interface ProjectFile {
  project: Project;
  /** files the document needs, by the hash of their bytes */
  assets: ReadonlyMap<string, Uint8Array>;
}

/** A project with all it needs as one `.fictile` file: a zip of its document and its assets by hash. */
export function packProject({ project, assets }: ProjectFile): Uint8Array {
  const entries: Zippable = { [DOCUMENT]: [utf8Bytes([JSON.stringify(project, null, 1)]), { mtime: STAMP }] };
  for (const [hash, bytes] of assets) entries[ASSETS + hash] = [bytes, { mtime: STAMP, level: 0 }];
  return zipSync(entries);
}

/** Reads a `.fictile` file. What would unpack to more than the limits is refused before it is unpacked. */
export function unpackProject(bytes: Uint8Array): Result<ProjectFile> {
  let size = 0;
  let entries: Record<string, Uint8Array>;
  try {
    entries = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        size += originalSize;
        return size <= LIMITS.projectFileBytes && (name === DOCUMENT || name.startsWith(ASSETS));
      },
    });
  } catch {
    return fail('PROJECT_BROKEN', { path: 'file', why: 'it is no project file' });
  }
  if (size > LIMITS.projectFileBytes)
    return fail('TOO_LARGE', { what: 'project file', size, limit: LIMITS.projectFileBytes });
  const project = readDocument(entries[DOCUMENT]);
  if (!project.ok) return project;
  const assets = Object.entries(entries).filter(([name]) => name.startsWith(ASSETS));
  return ok({
    project: project.value,
    assets: new Map(assets.map(([name, data]) => [name.slice(ASSETS.length), data])),
  });
}

function readDocument(bytes: Uint8Array | undefined): Result<Project> {
  if (!bytes) return fail('PROJECT_BROKEN', { path: 'file', why: 'it holds no document' });
  try {
    return parseProject(JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes)));
  } catch {
    return fail('PROJECT_BROKEN', { path: 'document', why: 'it is no JSON' });
  }
}
