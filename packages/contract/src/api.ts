import { profileSchema, projectSchema } from '@fictile/core';
import { z } from 'zod';

const when = z.iso.datetime().meta({ description: 'UTC' });
const revisionNumber = z.number().int().positive();

export const projectCardSchema = z
  .object({
    id: z.string(),
    name: z.string(),
    /** the words of the first piece, cut short */
    words: z.string(),
    pieces: z.number().int(),
    revision: revisionNumber,
    createdAt: when,
    updatedAt: when,
    binnedAt: when.nullable(),
  })
  .meta({ id: 'ProjectCard' });

export const projectListSchema = z.object({ projects: z.array(projectCardSchema) }).meta({ id: 'ProjectList' });

export const storedProjectSchema = z
  .object({ project: projectSchema, revision: revisionNumber, updatedAt: when })
  .meta({ id: 'StoredProject' });

export const createProjectSchema = z.object({ project: z.unknown() }).meta({ id: 'CreateProject' });

export const saveProjectSchema = z
  .object({ project: z.unknown(), baseRevision: revisionNumber })
  .meta({ id: 'SaveProject' });

export const savedSchema = z.object({ revision: revisionNumber, updatedAt: when }).meta({ id: 'Saved' });

export const revisionSchema = z
  .object({
    number: revisionNumber,
    kind: z.enum(['created', 'saved']),
    name: z.string().nullable(),
    coreVersion: z.string(),
    createdAt: when,
  })
  .meta({ id: 'Revision' });

export const revisionListSchema = z.object({ revisions: z.array(revisionSchema) }).meta({ id: 'RevisionList' });

export const nameRevisionSchema = z
  .object({ name: z.string().trim().min(1).max(200).nullable() })
  .meta({ id: 'NameRevision' });

export const assetKindSchema = z.enum(['font', 'obj', 'stl', 'ply', 'glb']);
export const assetSchema = z
  .object({ hash: z.string(), kind: assetKindSchema, size: z.number().int() })
  .meta({ id: 'Asset' });

export const fontFamilySchema = z
  .object({
    family: z.string(),
    kind: z.string(),
    styles: z.array(z.object({ name: z.string(), weight: z.number(), italic: z.boolean(), hash: z.string() })),
    axes: z.array(z.object({ tag: z.string(), min: z.number(), max: z.number(), usual: z.number() })),
    instances: z
      .array(z.object({ name: z.string(), axes: z.record(z.string(), z.number()) }))
      .optional()
      .meta({ description: 'named places of the axes' }),
    licence: z.string(),
    covers: z.string().meta({ description: 'code points with glyphs, as hexadecimal ranges: "20-7e,a0"' }),
  })
  .meta({ id: 'FontFamily' });

/** What a file that was brought in turned out to hold. */
export const broughtFontsSchema = z
  .object({ families: z.array(z.string()), faces: z.number().int() })
  .meta({ id: 'BroughtFonts' });

export const fontListSchema = z.object({ families: z.array(fontFamilySchema) }).meta({ id: 'FontList' });

export const shapeKindSchema = z.enum(['edge', 'side']);

/** A drawn edge or side, kept by name; `points` in shares of its width and depth, both ends left out. */
export const keptShapeSchema = z
  .object({ kind: shapeKindSchema, name: z.string(), points: profileSchema })
  .meta({ id: 'KeptShape' });

export const shapeListSchema = z.object({ shapes: z.array(keptShapeSchema) }).meta({ id: 'ShapeList' });

export const keepShapeSchema = z.object({ points: profileSchema }).meta({ id: 'KeepShape' });

export const shapeNameSchema = z.string().trim().min(1).max(60);

export const errorSchema = z
  .object({ error: z.object({ code: z.string(), params: z.record(z.string(), z.unknown()) }) })
  .meta({ id: 'Error' });

/** A save that came too late: what stands now. */
export const conflictSchema = errorSchema.extend({ newer: storedProjectSchema }).meta({ id: 'Conflict' });

export type ProjectCard = z.infer<typeof projectCardSchema>;
export type StoredProject = z.infer<typeof storedProjectSchema>;
/** The same on its way. */
export type WrittenProject = z.input<typeof storedProjectSchema>;
export type Saved = z.infer<typeof savedSchema>;
export type Revision = z.infer<typeof revisionSchema>;
export type AssetKind = z.infer<typeof assetKindSchema>;
export type FontFamilyInfo = z.infer<typeof fontFamilySchema>;
export type BroughtFonts = z.infer<typeof broughtFontsSchema>;
export type ShapeKind = z.infer<typeof shapeKindSchema>;
export type KeptShape = z.infer<typeof keptShapeSchema>;
export type Conflict = z.infer<typeof conflictSchema>;

/** Retries carry the same key and get the first answer again. */
export const IDEMPOTENCY_HEADER = 'idempotency-key';
