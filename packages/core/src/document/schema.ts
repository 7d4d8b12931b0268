import { freeCurveSchema } from '../fields/index.ts';
import { stepSchema } from '../steps/index.ts';
import { z } from 'zod';
import { LIMITS, ownEntry } from '../base/index.ts';
import { boundedRecord } from './firstFault.ts';
import { formSchema, modelSchema, type Form, type Model } from './formSchema.ts';
import { length, place, point, signedPlane, turn, value } from './schemaParts.ts';

/** Version of the document's shape; older documents are brought up by migrations.ts. */
export const SCHEMA_VERSION = 17;

/** A point of a drawn profile. Shares of its width and of its depth; what lies beyond the outline is below zero. */
const profileKnotSchema = z.object({
  in: z.number().min(-LIMITS.profileReach).max(LIMITS.profileReach),
  down: z.number().min(0).max(1),
  /** passed in the direction of its neighbours, instead of a corner */
  smooth: z.boolean(),
});

/** What a drawn edge or side passes on its way, both ends left out: those follow from its sizes. */
export const profileSchema = z.array(profileKnotSchema).max(LIMITS.profilePoints);

/** A file that holds a drawn edge or side. */
export const sectionFileSchema = z.object({ name: z.string().max(60).optional(), points: profileSchema });

const stepCount = z.number().int().min(1).max(64).meta(value('count', false));

export const edgeSchema = z.object({
  kind: z.enum(['plain', 'chamfer', 'round', 'cove', 'step', 'ogee', 'bead', 'drawn']),
  inMm: length(0, 1000),
  deepMm: length(0, 1000),
  steps: stepCount,
  /** of a drawn one: from the rim to the foot */
  points: profileSchema,
});

export const graphemeSchema = z.object({ id: z.number().int().positive(), text: z.string().min(1).max(256) });

const fontSchema = z.object({
  family: z.string().min(1).max(200),
  weight: z.number().min(1).max(1000),
  italic: z.boolean(),
  axes: boundedRecord(z.string().regex(/^[ -~]{4}$/), z.number(), 64),
});

/** A size that follows what the words have to fill. */
const fitSchema = z.object({
  to: z.enum(['none', 'width', 'height', 'box']),
  widthMm: length(0.1, 100_000),
  heightMm: length(0.1, 100_000),
  /** never larger than the size that was asked for */
  onlyShrink: z.boolean(),
});

/** How letters stand on a bent line. */
const standSchema = z.enum(['turned', 'sheared']);

/** What the letters stand on. A circle has its middle at zero; degrees count clockwise from the top. */
const lineSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('straight') }),
  z.object({
    kind: z.literal('circle'),
    radiusMm: length(0.1, 100_000),
    side: z.enum(['outside', 'center', 'inside']),
    startDegrees: z.number().min(-3600).max(3600).meta(value('deg', true)),
    direction: z.enum(['clockwise', 'counter']),
    /** the arc that a line is spread over; 0: as long as it is */
    spreadDegrees: z.number().min(0).max(360).meta(value('deg', true)),
    letters: standSchema,
  }),
  z.object({
    kind: z.literal('curve'),
    curve: freeCurveSchema,
    /** along the curve, from where the alignment puts the line */
    shiftMm: signedPlane,
    /** letters are spread over the whole curve */
    spread: z.boolean(),
    letters: standSchema,
  }),
]);

/** Full letters, bands along their outlines, or a wire bent along them. */
const contourSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('full') }),
  z.object({
    kind: z.literal('hollow'),
    wallMm: length(0.01, 1000),
    /** where the first wall lies */
    side: z.enum(['inside', 'center', 'outside']),
    count: z.number().int().min(1).max(20).meta(value('count', false)),
    gapMm: length(0.01, 1000),
  }),
  z.object({
    kind: z.literal('wire'),
    /** across; a wire's depth too */
    thickMm: length(0.01, 1000),
    /** a regular polygon, or four times the shape of the front edge */
    section: z.enum(['polygon', 'edge']),
    /** of a polygon, with flat sides in front, behind and outside */
    sides: z.number().int().min(4).max(64).multipleOf(4).meta(value('count', false)),
    /** of open paths */
    ends: z.enum(['round', 'square']),
  }),
]);

const percent = z.number().min(0).max(100).meta(value('%', true));

/** How a surface looks. Kept by value: a document looks the same wherever it is opened. */
export const finishSchema = z.object({
  /** of the shelf it came from; empty for one's own */
  name: z.string().max(60),
  /** sRGB, #rrggbb */
  colour: z.string().regex(/^#[0-9a-f]{6}$/),
  gloss: percent,
  metal: percent,
  glow: percent,
});

/** What is said of one letter alone; it goes with the letter's grapheme through every edit of the words. */
const ownLetterSchema = z.object({
  /** across and up, on top of where the line puts it */
  moveMm: z.tuple([
    z.number().min(-10_000).max(10_000).meta(value('mm', true)),
    z.number().min(-10_000).max(10_000).meta(value('mm', true)),
  ]),
  /** about its middle, counter-clockwise */
  turnDegrees: z.number().min(-3600).max(3600).meta(value('deg', true)),
  /** about the middle of its foot */
  scalePercent: z.number().min(1).max(1000).meta(value('%', true)),
  /** its room stays */
  leftOut: z.boolean(),
  font: fontSchema.nullable(),
  /** on all its sides, instead of the piece's */
  finish: finishSchema.nullable(),
  /** a letter with a solid of its own stands apart from its neighbours */
  solid: z.object({ depthMm: length(0, 10_000), front: edgeSchema }).nullable(),
});

const ownSchema = boundedRecord(z.string().regex(/^[1-9][0-9]*$/), ownLetterSchema, LIMITS.graphemes);
const depthAnchorSchema = z.enum(['back', 'middle', 'front']);

/** Room between two letters that stand side by side, on top of the font's. */
const kernPairSchema = z.object({
  left: z.string().min(1).max(256),
  right: z.string().min(1).max(256),
  /** thousandths of the size */
  by: z.number().min(-1000).max(1000).meta(value('‰', true)),
});

export const wordsSchema = z.object({
  kind: z.literal('words'),
  graphemes: z.array(graphemeSchema).max(LIMITS.graphemes),
  /** the id that the next grapheme gets; ids are never used twice */
  nextId: z.number().int().positive(),
  font: fontSchema,
  sizeMm: length(0.1, 10_000),
  /** what the size is the height of */
  sizeBy: z.enum(['capitals', 'xHeight', 'em']),
  fit: fitSchema,
  align: z.enum(['left', 'center', 'right', 'justify']),
  anchor: z.enum(['baseline', 'top', 'middle', 'bottom']),
  depthAnchor: depthAnchorSchema,
  tracking: z.number().min(-500).max(5000).meta(value('‰', true)),
  leadingPercent: z.number().min(10).max(1000).meta(value('%', true)),
  /** of the font's own space */
  wordSpacePercent: z.number().min(0).max(2000).meta(value('%', true)),
  widthPercent: z.number().min(10).max(1000).meta(value('%', true)),
  heightPercent: z.number().min(10).max(1000).meta(value('%', true)),
  /** to the right */
  slantDegrees: z.number().min(-60).max(60).meta(value('deg', true)),
  capitals: z.enum(['typed', 'upper', 'small']),
  kerning: z.boolean(),
  kernPairs: z.array(kernPairSchema).max(500),
  features: boundedRecord(z.string().regex(/^[ -~]{4}$/), z.number().int().min(0).max(100), 200),
  language: z
    .string()
    .max(35)
    .regex(/^[A-Za-z0-9-]*$/),
  direction: z.enum(['ltr', 'rtl', 'auto']),
  line: lineSchema,
  letters: z.enum(['joined', 'apart']),
  contour: contourSchema,
  /** by grapheme id */
  own: ownSchema,
});

const measure = length(0.01, 100_000);

/** How a path of a drawing is painted, in the path's own units (SVG 2, chapter 13). */
const paintSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('fill'), rule: z.enum(['nonzero', 'evenodd']) }),
  z.object({
    kind: z.literal('stroke'),
    width: z.number().positive(),
    join: z.enum(['miter', 'round', 'bevel']),
    cap: z.enum(['butt', 'round', 'square']),
    miterLimit: z.number().min(1),
    dashes: z.array(z.number().min(0)).max(64),
    dashOffset: z.number(),
  }),
]);

const number = z.number();

/** One painted path of a drawing. */
const elementSchema = z.object({
  /** id of its colour */
  colour: z.number().int().positive(),
  /** SVG path data of M, L, Q, C and Z alone, y down */
  path: z.string().max(LIMITS.drawingPathCharacters),
  /** rows of x' = a x + c y + e, y' = b x + d y + f */
  transform: z.tuple([number, number, number, number, number, number]),
  paint: paintSchema,
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
    /** what the size is of */
    by: z.enum(['width', 'height']),
    sizeMm: measure,
  }),
  z.object({ kind: z.literal('rectangle'), widthMm: measure, heightMm: measure, cornerMm: length(0, 100_000) }),
  z.object({ kind: z.literal('ellipse'), widthMm: measure, heightMm: measure }),
  z.object({
    kind: z.literal('polygon'),
    sides: z.number().int().min(3).max(200).meta(value('count', false)),
    radiusMm: measure,
  }),
  z.object({
    kind: z.literal('star'),
    points: z.number().int().min(3).max(200).meta(value('count', false)),
    radiusMm: measure,
    /** of the radius: where the notches lie */
    innerPercent: z.number().min(1).max(100).meta(value('%', true)),
  }),
  z.object({ kind: z.literal('free'), curve: freeCurveSchema }),
]);

export const drawingSchema = z.object({
  kind: z.literal('drawing'),
  shape: shapeSchema,
  depthAnchor: depthAnchorSchema,
  contour: contourSchema,
  /** by the id of a colour; a shape drawn here has one, 1 */
  own: ownSchema,
});

const idsAreOwn = ({ graphemes, nextId }: z.infer<typeof wordsSchema>): boolean =>
  new Set(graphemes.map((g) => g.id)).size === graphemes.length && graphemes.every((g) => g.id < nextId);

export const bodySchema = z.object({
  solid: z.object({
    /** the whole depth, edges included; 0 is a flat sheet */
    depthMm: length(0, 10_000),
    front: edgeSchema,
    back: edgeSchema,
    /** the back edge follows the front edge */
    backAsFront: z.boolean(),
    /** the edges' depths come on top of the depth, instead of out of it */
    edgesAdd: z.boolean(),
    /** inward edges keep the outline as the body's; outward ones keep it as the front's, and the body grows */
    edgeSide: z.enum(['inward', 'outward']),
    /** curves of edges and sides are cut by their steps, or within the tolerance of the faces */
    stepsBy: z.enum(['count', 'tolerance']),
    /** a bolder outline; below zero a lighter one */
    emboldenMm: z.number().min(-1000).max(1000).meta(value('mm', true)),
    /** what becomes of corners that an edge runs away from */
    corners: z.enum(['sharp', 'cut', 'round']),
    /** between the edges */
    side: z.object({
      kind: z.enum(['straight', 'bulge', 'waist', 'v', 'drawn']),
      /** how far it goes in from the outline */
      amountMm: length(0, 1000),
      /** of each half of a curved one */
      steps: stepCount,
      /** a straight one is cut into so many along the depth */
      divisions: z.number().int().min(1).max(200).meta(value('count', false)),
      /** of a drawn one: from the front edge to the back edge */
      points: profileSchema,
    }),
    /** front and back rise towards their middle, on top of the depth */
    swell: z.object({
      frontMm: length(0, 1000),
      backMm: length(0, 1000),
      curve: z.enum(['round', 'soft', 'straight']),
      steps: stepCount,
    }),
    /** from the front, which stays, to the back */
    along: z.object({
      /** what turns and narrows: the whole lettering about its middle, or each letter about its own */
      about: z.enum(['whole', 'letter']),
      /** of the back, counter-clockwise */
      twistDegrees: z.number().min(-3600).max(3600).meta(value('deg', true)),
      /** how much smaller the back is; below zero larger */
      taperPercent: z.number().min(-1000).max(99).meta(value('%', true)),
      /** of the back, across and up */
      shearMm: z.tuple([signedPlane, signedPlane]),
      /** between the depth's directions at front and back */
      curveDegrees: z.number().min(-85).max(85).meta(value('deg', true)),
      /** where the curve leads: degrees count clockwise from straight up */
      towardDegrees: z.number().min(-3600).max(3600).meta(value('deg', true)),
    }),
  }),
  faces: z.object({
    /** fewest faces; even cuts through the whole lettering; squares; quads that follow the strokes */
    style: z.enum(['plain', 'bands', 'grid', 'flow']),
    /** largest distance of a chord from its curve */
    toleranceMm: length(LIMITS.finestToleranceMm, 10),
    /** length of an edge of squares and flowing quads; 0: as suits the lettering */
    sizeMm: length(0, 10_000),
    /** how many bands, and the axis along which they follow one another */
    bands: z.number().int().min(1).max(1000).meta(value('count', false)),
    bandsAxis: z.enum(['x', 'y']),
    /** loops of edges at this distance beside sharp bends of the section; 0: none */
    supportMm: length(0, 1000),
    /** under steps that shape: as fine as those need, or as they are */
    shaped: z.enum(['fine', 'own']),
  }),
});

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

/** Where a piece stands: turned about the point it is held by (depth, then across, then upright), then moved. */
export const placementSchema = z.object({
  /** the point that is put to `atMm`: where its baseline begins, the middle of its box, or the middle of its foot */
  by: z.enum(['zero', 'middle', 'foot']),
  /** 'table': its lowest point lies on the table, and `atMm`'s height counts from there */
  stand: z.enum(['free', 'table']),
  /** across, up, towards the viewer */
  atMm: z.tuple([place, place, place]),
  /** about the axis across, the upright one, and the depth */
  turnDegrees: z.tuple([turn, turn, turn]),
});

export const pieceSchema = z.object({
  id: z.string().min(1).max(64),
  name: z.string().max(200),
  role: z.enum(['seen', 'cutter']),
  visible: z.boolean(),
  locked: z.boolean(),
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
const keptViewSchema = z.object({ name: z.string().min(1).max(60), from: point, to: point });

/** How the scene is shown. */
export const viewSchema = z.object({
  surroundings: z.enum(['daylight', 'window', 'kiln']),
  /** the table that takes the shadows */
  ground: z.boolean(),
  kept: z.array(keptViewSchema).max(KEPT_VIEWS),
});

export const projectSchema = z
  .object({
    id: z.string().min(1).max(64),
    schemaVersion: z.literal(SCHEMA_VERSION),
    name: z.string().max(200),
    unit: z.enum(['mm', 'cm', 'm', 'in']),
    pieces: boundedRecord(z.string(), pieceSchema, LIMITS.pieces),
    pieceOrder: z.array(z.string()).max(LIMITS.pieces),
    view: viewSchema,
    /** changes in time: none exists in this version */
    tracks: z.array(z.unknown()).max(0),
    /** most faces that are built */
    faceBudget: z.number().int().min(100).max(LIMITS.meshFaces).meta(value('count', false)),
  })
  .refine(
    (p) =>
      new Set(p.pieceOrder).size === p.pieceOrder.length &&
      p.pieceOrder.length === Object.keys(p.pieces).length &&
      p.pieceOrder.every((id) => ownEntry(p.pieces, id)?.id === id),
    { path: ['pieceOrder'], message: 'pieces and their order do not agree' },
  );

export type Edge = z.infer<typeof edgeSchema>;
export type Faces = Body['faces'];
export type Solid = Body['solid'];
export type Side = Solid['side'];
export type Profile = z.infer<typeof profileSchema>;
export type OwnLetter = z.infer<typeof ownLetterSchema>;
export type Drawing = z.infer<typeof drawingSchema>;
export type DrawingShape = Drawing['shape'];
export type DrawingElement = z.infer<typeof elementSchema>;
export type Contour = z.infer<typeof contourSchema>;
export type Words = z.infer<typeof wordsSchema>;
export type Body = z.infer<typeof bodySchema>;
export type Finish = z.infer<typeof finishSchema>;
export type Slots = z.infer<typeof slotsSchema>;
export type KeptView = z.infer<typeof keptViewSchema>;
export type SceneView = z.infer<typeof viewSchema>;
export type Placement = z.infer<typeof placementSchema>;
export type Piece = z.infer<typeof pieceSchema>;
export type { Form, FormShape, Model } from './formSchema.ts';
/** A piece made of words, of a drawing, of a form, or of a model that was brought in. */
export type WordsPiece = Piece & { source: Words };
export type DrawingPiece = Piece & { source: Drawing };
export type FormPiece = Piece & { source: Form };
export type ModelPiece = Piece & { source: Model };
/** What grows from outlines. */
export type LetteringPiece = WordsPiece | DrawingPiece;
export type Project = z.infer<typeof projectSchema>;
