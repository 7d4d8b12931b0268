import { z } from 'zod';
import { LIMITS } from '../base/index.ts';
import { freeCurveSchema, length, place, point, turn, value } from './schemaParts.ts';

const step = { id: z.string().min(1).max(64), on: z.boolean() };
const degrees = z.number().min(0).max(180).meta(value('deg', true));

/** Steps that make faces anew. */
const MESH_STEPS = [
  /** every face into quads about its middle: as flat as it was, or rounded between sharp edges */
  z.object({
    ...step,
    kind: z.literal('subdivide'),
    times: z.number().int().min(1).max(4).meta(value('count', false)),
    way: z.enum(['straight', 'rounded']),
    /** of rounding: sharp edges stay, or only those that were made crisp by a step before do */
    edges: z.enum(['stay', 'round']),
  }),
  /** fewer triangles; parts and their borders stay */
  z.object({
    ...step,
    kind: z.literal('reduce'),
    by: z.enum(['share', 'count', 'error']),
    sharePercent: z.number().min(0.1).max(100).meta(value('%', true)),
    count: z.number().int().min(4).max(LIMITS.meshFaces).meta(value('count', false)),
    errorMm: length(0.0001, 1000),
  }),
  /** every face into triangles */
  z.object({ ...step, kind: z.literal('triangles'), rule: z.enum(['short', 'same']) }),
  /** pairs of triangles into quads where they lie nearly in one plane */
  z.object({ ...step, kind: z.literal('quads'), withinDegrees: degrees }),
  /** points nearer to each other than this become one */
  z.object({ ...step, kind: z.literal('join'), withinMm: length(0, 1000) }),
  /** faces that lie in one plane become one where that stays convex */
  z.object({ ...step, kind: z.literal('clear'), withinDegrees: degrees }),
  /** edges whose faces turn by more than this shade crisply, all others smoothly */
  z.object({ ...step, kind: z.literal('crisp'), fromDegrees: degrees }),
  /** made anew over a grid, whatever it was: closed, and nothing crosses */
  z.object({
    ...step,
    kind: z.literal('recast'),
    /** of a cell */ sizeMm: length(0.01, 1000),
    /** open sheets become so thick, holes up to as wide are closed */ thickMm: length(0, 1000),
    /** edges melt by so much */ meltMm: length(0, 1000),
    /** afterwards as few triangles as stay within this; 0: all */ errorMm: length(0, 1000),
  }),
] as const;

const percentOf = (min: number, max: number): z.ZodNumber => z.number().min(min).max(max).meta(value('%', true));
const axis = z.enum(['x', 'y', 'z']);

/** Along which axis a step acts, and between which places of the flat layout; beyond them its ends go on. */
const span = {
  axis,
  /** over the whole piece, whatever its words have become */ whole: z.boolean(),
  fromMm: place,
  toMm: place,
};
/** What stays where it is: the middle of the piece, or a point of the flat layout. */
const about = { middle: z.boolean(), centreMm: point };
/** How a step's strength grows from its start to its end. */
const ease = z.enum(['even', 'soft', 'early', 'late']);
const seed = z.number().int().min(0).max(4_294_967_295);

/** Where a step acts; at its border it fades over `softMm`. */
const whereSchema = z.object({
  kind: z.enum(['all', 'ball', 'box', 'cone', 'layer']),
  /** of a cone, from its tip, and of a layer */
  axis,
  /** the tip of a cone */
  centreMm: point,
  /** across, up and deep; of a ball the first is its width, of a cone its length and width, of a layer its thickness */
  sizeMm: z.tuple([length(0, 100_000), length(0, 100_000), length(0, 100_000)]),
  softMm: length(0, 100_000),
  parts: z.enum(['all', 'fronts', 'sides']),
  /** ids of letters; none: all */
  letters: z.array(z.number().int().positive()).max(LIMITS.graphemes),
});

/** A value along a way, smoothly through its points: `at` from 0 to 1. */
const courseSchema = z
  .array(z.object({ at: z.number().min(0).max(1), value: z.number().min(-3600).max(3600) }))
  .min(1)
  .max(24);

/** The sides of a body, as one sees it from the front. */
export const BODY_SIDES = ['front', 'back', 'left', 'right', 'top', 'under'] as const;

/** From where on a side something is measured. */
const acrossFrom = z.enum(['left', 'middle', 'right']);
const upFrom = z.enum(['below', 'middle', 'above']);

/** Where on another piece something is held: where it was pressed, or at a place of one of its sides, which goes along when that piece changes. */
const heldPlaceSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('pressed') }),
  z.object({
    kind: z.literal('side'),
    side: z.enum(BODY_SIDES),
    /** to the right and up, as one looks at that side, from its middle; from a border inward */ acrossMm: place,
    acrossFrom,
    upMm: place,
    upFrom,
  }),
]);

/** A direction in space; its length says nothing. */
const heading = z
  .tuple([z.number(), z.number(), z.number()])
  .refine(([x, y, z]) => x * x + y * y + z * z > 1e-18, { message: 'has no length' });

/** A line in space that letters run along, about the piece's zero. */
const pathSchema = z.discriminatedUnion('kind', [
  /** a ring around the upright axis */
  z.object({ kind: z.literal('ring'), radiusMm: length(0.1, 100_000) }),
  z.object({
    kind: z.literal('spiral'),
    innerMm: length(0, 100_000),
    outerMm: length(0.1, 100_000),
    turns: z.number().min(0.1).max(100).meta(value('count', true)),
  }),
  z.object({
    kind: z.literal('ripple'),
    lengthMm: length(0.1, 100_000),
    heightMm: length(0, 100_000),
    waves: z.number().min(0.25).max(200).meta(value('count', true)),
  }),
  /** around the upright axis, climbing */
  z.object({
    kind: z.literal('coil'),
    radiusMm: length(0.1, 100_000),
    riseMm: place,
    turns: z.number().min(0.1).max(100).meta(value('count', true)),
  }),
  z.object({ kind: z.literal('drawn'), curve: freeCurveSchema }),
  /** the edge or loop of another piece that is nearest to a place; from here on the piece stands where that one does */
  z.object({
    kind: z.literal('edge'),
    /** id of the other piece; empty: none yet */ target: z.string().max(64),
    /** in that piece's own space */ atMm: point,
    reversed: z.boolean(),
  }),
  /** smoothly through places, but for corners */
  z.object({
    kind: z.literal('places'),
    placesMm: z.array(point).min(2).max(LIMITS.placesOfLine),
    closed: z.boolean(),
    up: heading,
  }),
]);

const displacing = { where: whereSchema, heightMm: place, moves: z.enum(['outward', 'x', 'y', 'z']) };

/** Steps that move points and leave faces alone. */
const SHAPE_STEPS = [
  /** about an axis, evenly between its limits, straight beyond them; positive turns the ends to the back, about z downward */
  z.object({
    ...step,
    ...span,
    ...about,
    kind: z.literal('bend'),
    angleDegrees: turn,
    /** the bend's own plane, turned about the way it runs */ towardDegrees: turn,
    /** which layer keeps its length */ keeps: z.enum(['front', 'middle', 'back', 'centre']),
  }),
  z.object({ ...step, ...span, ...about, kind: z.literal('twist'), angleDegrees: turn, ease }),
  /** how much smaller the end is; below zero larger */
  z.object({ ...step, ...span, ...about, kind: z.literal('taper'), percent: percentOf(-1000, 99), ease }),
  /** how far the end is moved along the next two axes */
  z.object({ ...step, ...span, kind: z.literal('shear'), byMm: z.tuple([place, place]), ease }),
  z.object({ ...step, ...span, kind: z.literal('stretch'), percent: percentOf(-95, 1000), ease }),
  /** how much thinner the middle is; below zero thicker */
  z.object({ ...step, ...span, ...about, kind: z.literal('pinch'), percent: percentOf(-1000, 99) }),
  /** fronts rise towards the middle: of the whole like a ball, or along an axis like a barrel */
  z.object({
    ...step,
    kind: z.literal('bulge'),
    shape: z.enum(['ball', 'barrel']),
    axis,
    heightMm: place,
    /** walls keep their depth, or the back stays */ solid: z.boolean(),
  }),
  z.object({
    ...step,
    ...displacing,
    kind: z.literal('wave'),
    lengthMm: length(0.1, 100_000),
    /** of the way it runs, counter-clockwise from across */ towardDegrees: turn,
    phaseDegrees: turn,
  }),
  z.object({
    ...step,
    ...displacing,
    kind: z.literal('noise'),
    character: z.enum(['soft', 'creased', 'lumpy', 'pebbled']),
    sizeMm: length(0.1, 100_000),
    detail: z.number().int().min(1).max(6).meta(value('count', false)),
    seed,
    /** only ever to the outside */ outwardOnly: z.boolean(),
    /** mm a second that the pattern drifts */ drift: place,
  }),
  /** a picture as height: light is high */
  z.object({
    ...step,
    ...displacing,
    kind: z.literal('relief'),
    columns: z.number().int().min(1).max(512),
    rows: z.number().int().min(1).max(512),
    /** a byte a place, row after row from the top, base64 */ heights: z.string().max(400_000),
    atMm: z.tuple([place, place]),
    widthMm: length(0.1, 100_000),
    repeats: z.boolean(),
  }),
  /** along a line in space: x runs along it */
  z.object({
    ...step,
    kind: z.literal('run'),
    axis: z.enum(['x', 'y']),
    path: pathSchema,
    fit: z.enum(['own', 'stretch']),
    /** the stretch of the line that is used */ fromPercent: percentOf(0, 100),
    toPercent: percentOf(0, 100),
    shiftMm: place,
    ends: z.enum(['stop', 'straight', 'round']),
    up: z.enum(['rolling', 'upright']),
    rollDegrees: turn,
    /** along the used stretch: percent, degrees */ size: courseSchema,
    roll: courseSchema,
  }),
  z.object({
    ...step,
    kind: z.literal('repeat'),
    axis,
    count: z.number().int().min(1).max(200).meta(value('count', false)),
    gapMm: place,
  }),
  /** letters each by itself: as far as a course along the line or chance says */
  z.object({
    ...step,
    kind: z.literal('scatter'),
    by: z.enum(['course', 'chance']),
    course: courseSchema,
    seed,
    moveMm: point,
    turnDegrees: z.tuple([turn, turn, turn]),
    scalePercent: percentOf(1, 1000),
    rigid: z.boolean(),
  }),
  /** onto the surface of another piece; from here on the piece stands where that one does. Places and directions in that piece's own space */
  z.object({
    ...step,
    kind: z.literal('onto'),
    /** id of the other piece; empty: none yet */ target: z.string().max(64),
    method: z.enum(['round', 'direction', 'closest', 'flat']),
    /** what of the flat layout is held: its zero, the middle of all there is, or in that middle the capitals' own or the baseline's */ heldBy:
      z.enum(['zero', 'middle', 'capitals', 'baseline']),
    /** at which place of the other piece */ place: heldPlaceSchema,
    /** where that was pressed, held before the surface, where it looks to, and the letters' up; a side says them itself */ fromMm:
      point,
    toward: heading,
    up: heading,
    /** counter-clockwise, as one looks at the letters */ turnDegrees: turn,
    liftMm: place,
    /** of what is laid round: straight on over the surface, level like a ring round a jug, along the model's nearest edge or loop, or drawn on it */ guide:
      z.enum(['straight', 'level', 'edge', 'drawn']),
    /** places that a drawn guide passes, in the other piece's own space; fewer than two: none is drawn yet */ guideMm:
      z.array(point).max(LIMITS.placesOfLine),
    /** ids of letters that are laid, the others stay flat where they are held; none: all are laid */ letters: z
      .array(z.number().int().positive())
      .max(LIMITS.graphemes),
    /** letters over an edge or beside the model: with the surface, straight on, or not at all */ overhang: z.enum([
      'follow',
      'straight',
      'leave',
    ]),
    /** letters keep their form and are only placed and tilted */ rigid: z.boolean(),
  }),
] as const;

/** What another piece does to this one. */
const CUT_STEPS = [
  /** lettering is held where its own step `onto` lays it on this piece, or stands in the scene */
  z.object({
    ...step,
    kind: z.literal('cut'),
    /** id of the other piece; empty: none yet */ target: z.string().max(64),
    /** `lie`: it lies there and cuts nothing */ operation: z.enum([
      'lie',
      'engrave',
      'raise',
      'through',
      'imprint',
      'join',
      'subtract',
      'intersect',
    ]),
    /** how far under the surface: the floor of what is engraved, the back of what is joined */ sinkMm: length(
      0,
      10_000,
    ),
    /** radius of the rounding where lettering meets the surface */ softMm: length(0, 1000),
    softSteps: z.number().int().min(1).max(16).meta(value('count', false)),
    /** the rounding lies outside the outline, or inside so that nothing is wider than drawn */ softSide: z.enum([
      'outward',
      'inward',
    ]),
    /** how far an imprint is raised */ raiseMm: length(0, 1000),
    /** how much narrower what stands out is at its top, of its height */ leanPercent: percentOf(-100, 200),
    /** parts that hang on nothing after the cut, like the inside of an O */ loose: z.enum(['keep', 'drop']),
    /** borders may move by two hundredths of the lettering's depth to clear slivers away */ clean: z.boolean(),
    /** width of a ring of quads beside the cut, in the faces of what is cut */ ringMm: length(0, 1000),
  }),
] as const;

/** One thing done to a mesh. */
export const stepSchema = z.discriminatedUnion('kind', [...MESH_STEPS, ...SHAPE_STEPS, ...CUT_STEPS]);

export type Step = z.infer<typeof stepSchema>;
export type StepKind = Step['kind'];
export type ShapeStep = z.infer<(typeof SHAPE_STEPS)[number]>;
export type OntoStep = Extract<ShapeStep, { kind: 'onto' }>;
export type RecastStep = Extract<MeshStep, { kind: 'recast' }>;
/** Those that go by the faces there are. */
export type RefineStep = Exclude<MeshStep, RecastStep>;
export type CutStep = z.infer<(typeof CUT_STEPS)[number]>;
export type BodySide = (typeof BODY_SIDES)[number];
export type HeldPlace = z.infer<typeof heldPlaceSchema>;
export type ShapeKind = ShapeStep['kind'];
export type MeshStep = z.infer<(typeof MESH_STEPS)[number]>;
export type StepPlace = z.infer<typeof whereSchema>;
export type StepPath = z.infer<typeof pathSchema>;
export type Course = z.infer<typeof courseSchema>;

export const SHAPE_KINDS: readonly string[] = SHAPE_STEPS.map(({ shape }) => shape.kind.value);
export const isShapeStep = (one: Step): one is ShapeStep => SHAPE_KINDS.includes(one.kind);
