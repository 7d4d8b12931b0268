import { createHash } from 'node:crypto';
import { asDocument, isWords, parseProject, type Project } from '@fictile/core';
import type { ProjectCard, Revision, Saved, WrittenProject } from '@fictile/contract';
import { and, desc, eq, inArray, isNotNull, isNull, lt } from 'drizzle-orm';
import type { Database, Tables } from '../db/open.ts';
import { answers, parts, projects, revisions } from '../db/schema.ts';
import { isTaken } from './databaseFault.ts';
import { joinDocument, splitDocument, type KeptDocument } from './documentParts.ts';
import { coreFault, Fault, httpFault } from './faults.ts';
import { loadParts } from './partTexts.ts';
import { thinnedOut } from './thinning.ts';

export const CORE_VERSION = '0.1.0';
/** How long an idempotency key is remembered. */
const KEY_DAYS = 7;

/** Keeps documents with all their revisions. Every change is one atomic write, acknowledged when it is on the disk. */
export class ProjectService {
  readonly #database: Database;
  readonly #now: () => Date;
  readonly #aging: () => Date;

  /** `aging`: the time by which revisions grow old (upkeep.ts). */
  constructor(database: Database, now: () => Date = () => new Date(), aging = now) {
    this.#database = database;
    this.#now = now;
    this.#aging = aging;
  }

  /** What is on the rack, or what is in the bin. */
  async list(inBin = false): Promise<ProjectCard[]> {
    const where = inBin ? isNotNull(projects.binnedAt) : isNull(projects.binnedAt);
    return this.#database.tables.select().from(projects).where(where).orderBy(desc(projects.updatedAt), projects.id);
  }

  /** Into the bin, or out of it; nothing is deleted. */
  async setBinned(id: string, isBinned: boolean): Promise<void> {
    const binnedAt = isBinned ? this.#now().toISOString() : null;
    const changed = await this.#database.write((tables) =>
      tables.update(projects).set({ binnedAt }).where(eq(projects.id, id)).returning({ id: projects.id }),
    );
    if (changed.length === 0) throw httpFault('NOT_FOUND', { what: 'project', id });
  }

  /** A revision with a name is kept for good; null takes the name away. */
  async nameRevision(id: string, number: number, name: string | null): Promise<void> {
    const changed = await this.#database.write((tables) =>
      tables
        .update(revisions)
        .set({ name })
        .where(and(eq(revisions.projectId, id), eq(revisions.number, number)))
        .returning({ number: revisions.number }),
    );
    if (changed.length === 0) throw httpFault('NOT_FOUND', { what: 'revision', id: `${id} ${number}` });
  }

  async read(id: string): Promise<WrittenProject> {
    const stored = await this.#newest(this.#database.tables, id);
    if (!stored) throw httpFault('NOT_FOUND', { what: 'project', id });
    return stored;
  }

  async readRevision(id: string, number: number): Promise<WrittenProject> {
    const [row] = await this.#database.tables
      .select()
      .from(revisions)
      .where(and(eq(revisions.projectId, id), eq(revisions.number, number)));
    if (!row) throw httpFault('NOT_FOUND', { what: 'revision', id: `${id} ${number}` });
    return this.#stored(this.#database.tables, id, row);
  }

  /** Also of a project whose newest one can't be read: there are older ones. */
  async listRevisions(id: string): Promise<Revision[]> {
    const rows = await this.#database.tables
      .select({
        number: revisions.number,
        kind: revisions.kind,
        name: revisions.name,
        coreVersion: revisions.coreVersion,
        createdAt: revisions.createdAt,
      })
      .from(revisions)
      .where(eq(revisions.projectId, id))
      .orderBy(desc(revisions.number));
    if (rows.length === 0) throw httpFault('NOT_FOUND', { what: 'project', id });
    return rows;
  }

  async create(document: unknown, key: string): Promise<Saved> {
    const project = parsed(document);
    const kept = await splitDocument(asDocument(project));
    return this.#once(key, requestOf('create', project), async (tables) => {
      if (await this.#standing(tables, project.id))
        throw httpFault('ALREADY_THERE', { what: 'project', id: project.id });
      const at = this.#now().toISOString();
      return {
        answer: { revision: 1, updatedAt: at },
        writes: [
          tables
            .insert(projects)
            .values({ id: project.id, ...summary(project), revision: 1, createdAt: at, updatedAt: at }),
          ...partWrites(tables, kept),
          tables.insert(revisions).values(rowOf(project.id, { number: 1, kind: 'created', text: kept.text, at })),
        ],
      };
    });
  }

  /** Refuses a document that grew from an older revision than the newest, and tells that one. */
  async save(
    id: string,
    document: unknown,
    { baseRevision, key }: { baseRevision: number; key: string },
  ): Promise<Saved> {
    const project = parsed(document);
    if (project.id !== id)
      throw httpFault('REQUEST_BROKEN', { path: 'project.id', why: 'is not the one in the address' });
    const kept = await splitDocument(asDocument(project));
    return this.#once(key, requestOf(`save ${baseRevision}`, project), async (tables) => {
      const standing = await this.#standing(tables, id);
      if (!standing) throw httpFault('NOT_FOUND', { what: 'project', id });
      if (standing.binnedAt !== null) throw httpFault('BINNED', { id });
      if (standing.revision !== baseRevision) throw await this.#late(tables, id, baseRevision);
      const number = baseRevision + 1;
      const at = this.#now().toISOString();
      const rows = await tables
        .select({ number: revisions.number, name: revisions.name, createdAt: revisions.createdAt })
        .from(revisions)
        .where(eq(revisions.projectId, id));
      const gone = thinnedOut([...rows, { number, name: null, createdAt: at }], this.#aging());
      return {
        answer: { revision: number, updatedAt: at },
        writes: [
          ...partWrites(tables, kept),
          tables.insert(revisions).values(rowOf(id, { number, kind: 'saved', text: kept.text, at })),
          tables
            .update(projects)
            .set({ ...summary(project), revision: number, updatedAt: at })
            .where(eq(projects.id, id)),
          tables.delete(revisions).where(and(eq(revisions.projectId, id), inArray(revisions.number, gone))),
        ],
      };
    });
  }

  /** What the rack says of a project; its documents are not looked at. */
  async #standing(tables: Tables, id: string): Promise<{ revision: number; binnedAt: string | null } | undefined> {
    const [row] = await tables
      .select({ revision: projects.revision, binnedAt: projects.binnedAt })
      .from(projects)
      .where(eq(projects.id, id));
    return row;
  }

  async #newest(tables: Tables, id: string): Promise<WrittenProject | undefined> {
    const [row] = await tables
      .select({ document: revisions.document, number: revisions.number, createdAt: revisions.createdAt })
      .from(projects)
      .innerJoin(revisions, and(eq(revisions.projectId, projects.id), eq(revisions.number, projects.revision)))
      .where(eq(projects.id, id));
    return row && this.#stored(tables, id, row);
  }

  /** A revision whole; a fault of its own where it can't be read, so that nobody takes it for lost. */
  async #stored(tables: Tables, id: string, { document, number, createdAt }: RevisionRow): Promise<WrittenProject> {
    const unreadable = (why: string): Fault => httpFault('REVISION_UNREADABLE', { id, revision: number, why });
    let data: unknown;
    try {
      data = await joinDocument(document, (hashes) => loadParts(tables, hashes));
    } catch (error) {
      throw unreadable(error instanceof SyntaxError ? 'it is no JSON' : (error as Error).message);
    }
    const project = parseProject(data);
    if (!project.ok) throw unreadable(`${project.error.code} ${JSON.stringify(project.error.params)}`);
    return { project: asDocument(project.value), revision: number, updatedAt: createdAt };
  }

  /** A save that came too late, with what stands now where that can be read. */
  async #late(tables: Tables, id: string, base: number): Promise<Fault> {
    try {
      const newer = await this.#newest(tables, id);
      if (newer) return httpFault('REVISION_OLD', { base, newest: newer.revision }, { newer });
      return httpFault('NOT_FOUND', { what: 'project', id });
    } catch (error) {
      if (error instanceof Fault) return error;
      throw error;
    }
  }

  /** Runs a change once for its key: the change and the memory of its answer are one atomic write. */
  #once(key: string, request: string, prepare: (tables: Tables) => Promise<Change>): Promise<Saved> {
    return this.#database.write(async (tables) => {
      const [known] = await tables.select().from(answers).where(eq(answers.key, key));
      if (known && known.request !== request) throw httpFault('KEY_REUSED', { key });
      if (known) return JSON.parse(known.body) as Saved;
      const { answer, writes } = await prepare(tables);
      const at = this.#now();
      const old = new Date(this.#aging().getTime() - KEY_DAYS * 24 * 3_600_000).toISOString();
      try {
        await tables.batch([
          tables.insert(answers).values({ key, request, body: JSON.stringify(answer), createdAt: at.toISOString() }),
          ...writes,
          tables.delete(answers).where(lt(answers.createdAt, old)),
        ]);
      } catch (error) {
        // another server on the same folder was quicker: what it wrote stands, and is told as if it had been there
        // before
        if (!isTaken(error)) throw error;
        await prepare(tables);
        throw httpFault('BUSY', {});
      }
      return answer;
    });
  }
}

type Write = Parameters<Tables['batch']>[0][number];

interface Change {
  answer: Saved;
  writes: Write[];
}

type RevisionRow = Pick<typeof revisions.$inferSelect, 'document' | 'number' | 'createdAt'>;

const rowOf = (
  projectId: string,
  { number, kind, text, at }: { number: number; kind: 'created' | 'saved'; text: string; at: string },
): typeof revisions.$inferInsert => ({
  projectId,
  number,
  kind,
  name: null,
  coreVersion: CORE_VERSION,
  document: text,
  createdAt: at,
});

/** Parts that are kept already cost nothing more. */
const partWrites = (tables: Tables, { parts: own }: KeptDocument): Write[] =>
  [...own].map(([hash, bytes]) => tables.insert(parts).values({ hash, bytes }).onConflictDoNothing());

function parsed(document: unknown): Project {
  const project = parseProject(document);
  if (!project.ok) throw coreFault(project.error);
  return project.value;
}

const requestOf = (what: string, project: Project): string =>
  createHash('sha256')
    .update(`${what} ${project.id} ${JSON.stringify(asDocument(project))}`)
    .digest('hex');

const LONGEST_WORDS = 200;

function summary(project: Project): Pick<typeof projects.$inferInsert, 'name' | 'words' | 'pieces'> {
  const first = project.pieces[project.pieceOrder[0]];
  const words = first && isWords(first) ? first.source.graphemes.map((g) => g.text).join('') : (first?.name ?? '');
  return { name: project.name, words: words.slice(0, LONGEST_WORDS), pieces: project.pieceOrder.length };
}
