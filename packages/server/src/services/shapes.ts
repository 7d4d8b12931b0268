import type { KeptShape, ShapeKind } from '@fictile/contract';
import { and, desc, eq } from 'drizzle-orm';
import type { Database } from '../db/open.ts';
import { shapes } from '../db/schema.ts';
import { httpFault } from './faults.ts';

/** Far more than anybody looks through. */
const MOST_SHAPES = 500;

/** Drawn edges and sides that people keep by name. */
export class ShapeService {
  readonly #database: Database;

  constructor(database: Database) {
    this.#database = database;
  }

  /** Newest first. */
  async list(): Promise<KeptShape[]> {
    const rows = await this.#database.tables.select().from(shapes).orderBy(desc(shapes.createdAt), shapes.name);
    return rows.map(({ kind, name, points }) => ({ kind, name, points: JSON.parse(points) as KeptShape['points'] }));
  }

  /** A name that is kept already is taken over. */
  async keep(shape: KeptShape): Promise<void> {
    const row = { ...shape, points: JSON.stringify(shape.points), createdAt: new Date().toISOString() };
    await this.#database.write(async (tables) => {
      const isThere = await tables.$count(shapes, is(shape));
      if (!isThere && (await tables.$count(shapes)) >= MOST_SHAPES)
        throw httpFault('REQUEST_BROKEN', { path: 'name', why: `no more than ${MOST_SHAPES} shapes are kept` });
      await tables
        .insert(shapes)
        .values(row)
        .onConflictDoUpdate({ target: [shapes.kind, shapes.name], set: row });
    });
  }

  async drop(shape: Pick<KeptShape, 'kind' | 'name'>): Promise<void> {
    const dropped = await this.#database.write((tables) => tables.delete(shapes).where(is(shape)).returning());
    if (dropped.length === 0) throw httpFault('NOT_FOUND', { what: 'shape', id: shape.name });
  }
}

const is = ({ kind, name }: { kind: ShapeKind; name: string }) => and(eq(shapes.kind, kind), eq(shapes.name, name));
