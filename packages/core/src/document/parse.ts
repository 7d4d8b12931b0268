import { fail, ok, type Result } from '../base/index.ts';
import { parseOrFirstFault } from './firstFault.ts';
import { firstIssue } from './issueText.ts';
import { MIGRATIONS, type Migration } from './migrations.ts';
import { fromDocument } from './projectSchema.ts';
import { documentSchema, SCHEMA_VERSION, sectionFileSchema, type Profile, type Project } from './schema.ts';

/** Anything -> a project of the present version: migrated, then held against the schema. */
export function parseProject(data: unknown): Result<Project> {
  const version = versionOf(data);
  if (version === undefined) return fail('PROJECT_BROKEN', { path: 'schemaVersion', why: 'missing' });
  if (version > SCHEMA_VERSION) return fail('PROJECT_NEWER', { version, known: SCHEMA_VERSION });
  const parsed = parseOrFirstFault(documentSchema, migrate(data, version, MIGRATIONS));
  if ('path' in parsed) return fail('PROJECT_BROKEN', { path: parsed.path.join('.') || 'document', why: parsed.why });
  if (!parsed.success) return fail('PROJECT_BROKEN', firstIssue(parsed.error));
  const made = fromDocument(parsed.data);
  return 'path' in made ? fail('PROJECT_BROKEN', made) : ok(made.project);
}

/** A file of a drawn edge or side -> its points. */
export function parseProfile(text: string): Result<Profile> {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return fail('SECTION_BROKEN', { path: 'file', why: 'it is no JSON' });
  }
  const parsed = sectionFileSchema.safeParse(data);
  return parsed.success ? ok(parsed.data.points) : fail('SECTION_BROKEN', firstIssue(parsed.error));
}

function versionOf(data: unknown): number | undefined {
  if (typeof data !== 'object' || data === null || !('schemaVersion' in data)) return undefined;
  const version = data.schemaVersion;
  return typeof version === 'number' && Number.isInteger(version) && version >= 1 ? version : undefined;
}

/** Runs the steps from `version` on; step n brings a document of version n to n + 1. */
export function migrate(data: unknown, version: number, migrations: readonly Migration[]): unknown {
  return migrations.slice(version - 1).reduce((document, step) => step(document), data);
}
