import { stepSchema } from '../steps/index.ts';
import { z } from 'zod';
import { count, freeCurveSchema, kindOf, objectOf, point, variants, type ValuesOf } from '../fields/index.ts';
import {
  contour,
  depthAnchor,
  elementSchema,
  EDGE,
  FACES,
  FINISH,
  FORMS,
  GROUP_PLACEMENT,
  HUNG,
  MODEL,
  OWN_LETTER,
  PATHS,
  PLACEMENT,
  profileSchema,
  DRAWN_SHAPES,
  SOLID,
  WORDS,
} from './fields/index.ts';
import { LIMITS, ownEntry } from '../base/index.ts';
import { boundedRecord } from './firstFault.ts';

/** Version of the document's shape; older documents are brought up by migrations.ts. */
export const SCHEMA_VERSION = 19;

/** A file that holds a drawn edge or side. */
export const sectionFileSchema = z.object({ name: z.string().max(60).optional(), points: profileSchema });

export { profileSchema };
export const edgeSchema = objectOf(EDGE);

export const graphemeSchema = z.object({ id: z.number().int().positive(), text: z.string().min(1).max(256) });

/** How a surface looks. */
export const finishSchema = objectOf(FINISH);

const ownSchema = boundedRecord(z.string().regex(/^[1-9][0-9]*$/), objectOf(OWN_LETTER), LIMITS.graphemes);

export const wordsSchema = z.object({
  kind: z.literal('words'),
  graphemes: z.array(graphemeSchema).max(LIMITS.graphemes),
  /** the id that the next grapheme gets; ids are never used twice */
  nextId: z.number().int().positive(),
  ...objectOf(WORDS).shape,
  /** by grapheme id */
  own: ownSchema,
});

/** What a drawing shows. Zero is the middle of its foot; of a free shape, where it was drawn about. */
const shapeSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('paths'),
    /** in the order they are painted */
    elements: z.array(elementSchema).min(1).max(LIMITS.drawingElements),
    colours: z
      .array(z.object({ id: z.number().int().positive(), name: z.string().max(60) }))
      .max(LIMITS.drawingColours),
    ...objectOf(PATHS).shape,
  }),
  kindOf('rectangle', DRAWN_SHAPES.rectangle),
  kindOf('ellipse', DRAWN_SHAPES.ellipse),
  kindOf('polygon', DRAWN_SHAPES.polygon),
  kindOf('star', DRAWN_SHAPES.star),
  z.object({ kind: z.literal('free'), curve: freeCurveSchema }),
]);

export const drawingSchema = z.object({
  kind: z.literal('drawing'),
  shape: shapeSchema,
  depthAnchor: depthAnchor().schema,
  contour: contour().schema,
  /** by the id of a colour; a shape drawn here has one, 1 */
  own: ownSchema,
});

const idsAreOwn = ({ graphemes, nextId }: z.infer<typeof wordsSchema>): boolean =>
  new Set(graphemes.map((g) => g.id)).size === graphemes.length && graphemes.every((g) => g.id < nextId);

export const bodySchema = z.object({ solid: objectOf(SOLID), faces: objectOf(FACES) });

/** A body made here. Its curves are as fine as the tolerance of the piece's faces. */
export const formSchema = z.object({ kind: z.literal('form'), form: variants(FORMS, 'block').schema });

/** A mesh that was brought in. */
export const modelSchema = kindOf('model', MODEL);

export const SLOTS = ['front', 'frontEdge', 'wall', 'backEdge', 'back'] as const;
export type Slot = (typeof SLOTS)[number];

const slotsSchema = z.object({
  front: finishSchema,
  frontEdge: finishSchema,
  wall: finishSchema,
  backEdge: finishSchema,
  back: finishSchema,
  /** back and back edge look as front and front edge do */
  backAsFront: z.boolean(),
});

/** Where a piece stands. */
export const placementSchema = objectOf(PLACEMENT);

/** What pieces and groups have alike: where they are in the tree, and what they go along with. */
const belonging = {
  /** id of the group that it is in; empty: in none */
  within: z.string().max(64),
  /** null: it goes along with its group alone */
  hung: objectOf(HUNG).nullable(),
};

/** What is each piece's and each group's own. */
const ownSide = {
  id: z.string().min(1).max(64),
  name: z.string().max(200),
  visible: z.boolean(),
  locked: z.boolean(),
  ...belonging,
};

/** Pieces, and groups of such, that stand and are shown as one. */
export const groupSchema = z.object({ ...ownSide, placement: objectOf(GROUP_PLACEMENT) });

/** Most values in which a linked copy differs. */
const MOST_CHANGES = 2000;

/** A piece that follows another one, as documents keep it: what it has otherwise, by pointers (see `linked.ts`). */
export const copySchema = z.object({
  ...ownSide,
  placement: placementSchema,
  /** id of a piece that is no copy itself */
  copyOf: z.string().min(1).max(64),
  changes: boundedRecord(z.string().min(1).max(400), z.unknown(), MOST_CHANGES),
});

export const pieceSchema = z.object({
  ...ownSide,
  role: z.enum(['seen', 'cutter']),
  source: z.discriminatedUnion('kind', [
    wordsSchema.refine(idsAreOwn, { path: ['graphemes'], message: 'ids are used twice or reach nextId' }),
    drawingSchema,
    formSchema,
    modelSchema,
  ]),
  /** of words and drawings; of a form only the tolerance of its faces counts, of a model nothing */
  body: bodySchema,
  placement: placementSchema,
  slots: slotsSchema,
  /** what is done to the mesh, in this order */
  steps: z
    .array(stepSchema)
    .max(LIMITS.steps)
    .refine((steps) => new Set(steps.map(({ id }) => id)).size === steps.length, { message: 'ids are used twice' }),
});

/** Most views that a project keeps. */
export const KEPT_VIEWS = 50;

/** A place to look from, kept by name. Lengths in mm. */
const keptViewSchema = z.object({ name: z.string().min(1).max(60), from: point().schema, to: point().schema });

/** How the scene is shown. */
export const viewSchema = z.object({
  surroundings: z.enum(['daylight', 'window', 'kiln']),
  /** the table that takes the shadows */
  ground: z.boolean(),
  kept: z.array(keptViewSchema).max(KEPT_VIEWS),
});

interface InOrder {
  pieceOrder: string[];
  pieces: Record<string, { id: string }>;
  copies?: Record<string, { id: string }>;
}

const isInOrder = ({ pieceOrder, pieces, copies = {} }: InOrder): boolean =>
  new Set(pieceOrder).size === pieceOrder.length &&
  pieceOrder.length === Object.keys(pieces).length + Object.keys(copies).length &&
  pieceOrder.every((id) => (ownEntry(pieces, id) ?? ownEntry(copies, id))?.id === id);
const OUT_OF_ORDER = { path: ['pieceOrder'], message: 'pieces and their order do not agree' };

const anyItem = boundedRecord(z.string(), z.custom<{ id: string }>(), LIMITS.pieces);
/** How pieces and groups stand together, whatever each is. */
export const orderSchema = z
  .object({ pieces: anyItem, groups: anyItem, pieceOrder: z.array(z.string()).max(LIMITS.pieces) })
  .refine(isInOrder, OUT_OF_ORDER);

/** A document as it is kept, but for what its tree has to be and what copies come to: see `projectSchema`. */
export const documentSchema = z
  .object({
    id: z.string().min(1).max(64),
    schemaVersion: z.literal(SCHEMA_VERSION),
    name: z.string().max(200),
    unit: z.enum(['mm', 'cm', 'm', 'in']),
    pieces: boundedRecord(z.string(), pieceSchema, LIMITS.pieces),
    /** left out: there are none */
    copies: boundedRecord(z.string(), copySchema, LIMITS.pieces).optional(),
    pieceOrder: z.array(z.string()).max(LIMITS.pieces),
    /** none is empty; where they stand among pieces follows from those that are in them */
    groups: boundedRecord(z.string(), groupSchema, LIMITS.pieces),
    view: viewSchema,
    /** changes in time: none exists in this version */
    tracks: z.array(z.unknown()).max(0),
    /** most faces that are built */
    faceBudget: count(100, LIMITS.meshFaces).schema,
  })
  .refine(isInOrder, OUT_OF_ORDER);

export type Edge = z.infer<typeof edgeSchema>;
export type Faces = Body['faces'];
export type Solid = Body['solid'];
export type Side = Solid['side'];
export type OwnLetter = ValuesOf<typeof OWN_LETTER>;
export type Drawing = z.infer<typeof drawingSchema>;
export type DrawingShape = Drawing['shape'];
export type DrawingElement = z.infer<typeof elementSchema>;
export type { Contour } from '../contours/index.ts';
export type Words = z.infer<typeof wordsSchema>;
export type Body = z.infer<typeof bodySchema>;
export type Finish = z.infer<typeof finishSchema>;
export type Slots = z.infer<typeof slotsSchema>;
export type KeptView = z.infer<typeof keptViewSchema>;
export type SceneView = z.infer<typeof viewSchema>;
export type Placement = z.infer<typeof placementSchema>;
export type Pivot = Placement['pivot'];
export type Group = z.infer<typeof groupSchema>;
export type Hung = ValuesOf<typeof HUNG>;
/** `copyOf`: id of the piece that it follows, in all that is not said otherwise in it. */
export type Piece = z.infer<typeof pieceSchema> & { copyOf?: string };
export type LinkedCopy = z.infer<typeof copySchema>;
export type Form = z.infer<typeof formSchema>;
export type { FormShape } from '../form/index.ts';
export type Model = z.infer<typeof modelSchema>;
export type { Profile } from './fields/index.ts';
/** A piece made of words, of a drawing, of a form, or of a model that was brought in. */
export type WordsPiece = Piece & { source: Words };
export type DrawingPiece = Piece & { source: Drawing };
export type FormPiece = Piece & { source: Form };
export type ModelPiece = Piece & { source: Model };
/** What grows from outlines. */
export type LetteringPiece = WordsPiece | DrawingPiece;
export type ProjectDocument = z.infer<typeof documentSchema>;
/**
 * A document as it is worked on: copies stand among the pieces, complete, and share with their sources what is alike.
 */
export type Project = Omit<ProjectDocument, 'pieces' | 'copies'> & { pieces: Record<string, Piece> };
