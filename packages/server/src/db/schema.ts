import { blob, index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';

/** Times are UTC in ISO 8601. */
export const projects = sqliteTable(
  'projects',
  {
    id: text('id').primaryKey(),
    name: text('name').notNull(),
    words: text('words').notNull(),
    pieces: integer('pieces').notNull(),
    /** newest revision */
    revision: integer('revision').notNull(),
    createdAt: text('created_at').notNull(),
    updatedAt: text('updated_at').notNull(),
    /** when it went into the bin; null on the rack */
    binnedAt: text('binned_at'),
  },
  (table) => [index('projects_updated').on(table.updatedAt)],
);

export const revisions = sqliteTable(
  'revisions',
  {
    projectId: text('project_id')
      .notNull()
      .references(() => projects.id, { onDelete: 'cascade' }),
    number: integer('number').notNull(),
    kind: text('kind', { enum: ['created', 'saved'] }).notNull(),
    /** kept for good when named */
    name: text('name'),
    coreVersion: text('core_version').notNull(),
    /** as JSON; `{"$part": hash}` stands for a part */
    document: text('document').notNull(),
    createdAt: text('created_at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.number] })],
);

/**
 * Large parts of documents by the hash of their content, packed (deflate): revisions that share a part hold it once. A
 * revision's own text
 * names the parts that it is made of, and parts may name others.
 */
export const parts = sqliteTable('parts', {
  hash: text('hash').primaryKey(),
  bytes: blob('bytes', { mode: 'buffer' }).notNull(),
});

/** Answers already given to requests with an idempotency key. */
export const answers = sqliteTable('answers', {
  key: text('key').primaryKey(),
  /** method, path and hash of the body, so that a key can't be used for another request */
  request: text('request').notNull(),
  body: text('body').notNull(),
  createdAt: text('created_at').notNull(),
});

export const assets = sqliteTable('assets', {
  hash: text('hash').primaryKey(),
  kind: text('kind', { enum: ['font', 'obj', 'stl', 'ply', 'glb'] }).notNull(),
  size: integer('size').notNull(),
  bytes: blob('bytes', { mode: 'buffer' }).notNull(),
  createdAt: text('created_at').notNull(),
});

/** Fonts that people brought in, one row a face. */
export const fonts = sqliteTable('fonts', {
  /** of its plain file, which is an asset */
  hash: text('hash')
    .primaryKey()
    .references(() => assets.hash),
  /** what the file says of itself, as JSON */
  description: text('description').notNull(),
  createdAt: text('created_at').notNull(),
  /** when it was taken out of the case; null while it is there */
  removedAt: text('removed_at'),
});

/** Edges and sides that people drew and kept by name. */
export const shapes = sqliteTable(
  'shapes',
  {
    kind: text('kind', { enum: ['edge', 'side'] }).notNull(),
    name: text('name').notNull(),
    /** of the profile, as JSON */
    points: text('points').notNull(),
    createdAt: text('created_at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.kind, table.name] })],
);

/** Facts about this database itself. */
export const facts = sqliteTable('facts', { name: text('name').primaryKey(), value: text('value').notNull() });
