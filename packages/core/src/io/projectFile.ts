import { unzipSync, zipSync, type Zippable } from 'fflate';
import {
  crc32,
  fail,
  LIMITS,
  ok,
  ownEntry,
  parseBoundedJson,
  sha256Hex,
  utf8Bytes,
  type Result,
} from '../base/index.ts';
import { asDocument, parseProject, type Project } from '../document/index.ts';
import { zipRows } from './zipRows.ts';

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
  const entries: Zippable = {
    [DOCUMENT]: [utf8Bytes([JSON.stringify(asDocument(project), null, 1)]), { mtime: STAMP }],
  };
  for (const [hash, bytes] of assets) entries[ASSETS + hash] = [bytes, { mtime: STAMP, level: 0 }];
  return zipSync(entries);
}

/**
 * Reads a `.fictile` file. What would unpack to more than the limits is refused before it is unpacked; every entry is
 * held against its
 * checksum, and every asset against the hash that it is called by.
 */
export function unpackProject(bytes: Uint8Array): Result<ProjectFile> {
  const entries = unpackEntries(bytes);
  if (!entries.ok) return entries;
  const document = entries.value.get(DOCUMENT);
  if (!document) return broken('file', 'it holds no document');
  const parsed = parseBoundedJson(document, 'document');
  if (!parsed.ok) return parsed;
  const project = parseProject(parsed.value);
  if (!project.ok) return project;
  const assets = new Map<string, Uint8Array>();
  for (const [name, data] of entries.value) {
    if (!name.startsWith(ASSETS)) continue;
    const hash = name.slice(ASSETS.length);
    if (sha256Hex(data) !== hash) return broken(name, 'its content is not what it is named by');
    assets.set(hash, data);
  }
  return ok({ project: project.value, assets });
}

const broken = (path: string, why: string): Result<never> => fail('PROJECT_BROKEN', { path, why });

function unpackEntries(bytes: Uint8Array): Result<Map<string, Uint8Array>> {
  const rows = zipRows(bytes);
  if (!rows) return broken('file', 'it is no project file, or was cut short');
  const wanted = new Map(rows.filter(({ name }) => isOurs(name)).map((row) => [row.name, row]));
  const size = [...wanted.values()].reduce((sum, row) => sum + row.size, 0);
  if (size > LIMITS.projectFileBytes)
    return fail('TOO_LARGE', { what: 'project file', size, limit: LIMITS.projectFileBytes });
  const documentBytes = wanted.get(DOCUMENT)?.size ?? 0;
  if (documentBytes > LIMITS.projectBytes)
    return fail('TOO_LARGE', { what: 'document', size: documentBytes, limit: LIMITS.projectBytes });
  let entries: Record<string, Uint8Array>;
  try {
    entries = unzipSync(bytes, { filter: ({ name }) => wanted.has(name) });
  } catch {
    return broken('file', 'it is no project file, or was cut short');
  }
  for (const { name, crc, size: length } of wanted.values()) {
    const data = ownEntry(entries, name);
    if (!data || data.length !== length || crc32(data) !== crc) return broken(name, 'its checksum differs');
  }
  return ok(new Map(Object.entries(entries)));
}

const isOurs = (name: string): boolean => name === DOCUMENT || name.startsWith(ASSETS);
