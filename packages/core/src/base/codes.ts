/**
 * Every error and remark that core can give, with the values that its sentence needs.
 * Core never speaks English: the interface and the command line hold the sentences.
 */
export interface ErrorParams {
  /** The bytes are no font that can be read. `why` is one of a few short reasons. */
  FONT_BROKEN: { name: string; why: 'signature' | 'tables' | 'cut' | 'no-glyphs' | 'too-large' };
  /** The font is packed for the web (WOFF, WOFF2) and has to be unpacked first. */
  FONT_PACKED: { name: string; format: 'woff' | 'woff2' };
  /** No font of this family, style or hash is at hand. */
  FONT_UNKNOWN: { name: string };
  /** A value lies outside what its field takes. */
  VALUE_OUT_OF_RANGE: { field: string; value: string; min: number; max: number; unit: string };
  /** A document does not have the shape that its schema asks for. */
  PROJECT_BROKEN: { path: string; why: string };
  /** A document was written by a later version of the application. */
  PROJECT_NEWER: { version: number; known: number };
  /** A file of a drawn edge or side does not have its shape. */
  SECTION_BROKEN: { path: string; why: string };
  /** A mesh file cannot be read; `place` is a line (text) or a byte (binary). */
  MESH_BROKEN: { format: string; place: number; why: MeshFault };
  /** A document names a model whose file is not at hand. */
  MODEL_UNKNOWN: { hash: string };
  /** A drawing cannot be read. `line` counts from 1; 0 is the whole of it. */
  DRAWING_BROKEN: { line: number; why: 'not-svg' | 'xml' | 'size' | 'pdf' | 'locked' };
  /** A drawing holds nothing that is painted. */
  DRAWING_EMPTY: { skipped: string };
  /** Something is larger than the limit for it. */
  TOO_LARGE: { what: string; size: number; limit: number };
  /** An edit names something the document does not hold. */
  EDIT_MISPLACED: { what: string; id: string };
  /** A locked piece is not to be changed. */
  PIECE_LOCKED: { name: string };
  /** Something would go along with what goes along with it. */
  GOES_IN_CIRCLE: { name: string };
  /** A piece could not be computed, by a fault of ours. */
  PIECE_BROKE: Record<string, never>;
  /** The person or a newer edit stopped the work. */
  CANCELLED: Record<string, never>;
}
export type ErrorCode = keyof ErrorParams;

/** What is wrong with a mesh file: see the sentences of the page and of the command line. */
export type MeshFault =
  | 'start'
  | 'version'
  | 'short'
  | 'length'
  | 'line'
  | 'vertex'
  | 'face'
  | 'corners'
  | 'no faces'
  | 'count'
  | 'property'
  | 'packed'
  | 'json'
  | 'entries'
  | 'accessor'
  | 'reference'
  | 'nodes'
  | 'posed'
  | 'outside'
  | 'extension'
  | 'data';

/** Kinds of things in SVG and PDF files that no drawing takes. */
export type DrawingSkip =
  | 'text'
  | 'picture'
  | 'script'
  | 'outside'
  | 'gradient'
  | 'clip'
  | 'path'
  | 'number'
  | 'colours'
  | 'effect'
  | 'style'
  | 'pages';

/**
 * Why a solid can't be cut, or can't cut: it is open or its faces don't meet; it faces inward; what cuts is no solid;
 * the result is none; too many points; points nearer than they can be told apart; volumes don't add up; nothing would
 * be left; what cuts runs through itself.
 */
export type CutFault =
  'open' | 'inward' | 'cutter' | 'kernel' | 'large' | 'fine' | 'volume' | 'empty' | 'crossed' | 'result';

type ParamTriple = readonly [number, number, number];

/** What helps letters that sink or float: laid another way, bent with the surface, or lifted. */
export type LaidBetter = 'round' | 'direction' | 'bending' | 'lift';

export interface RemarkParams {
  /** Nothing to build: no text, or only spaces. */
  TEXT_EMPTY: Record<string, never>;
  /** The font has no glyph for these characters; a box stands in. */
  GLYPH_MISSING: { characters: string; font: string };
  /** Another font stands in for what the piece's own font lacks. */
  FONT_STOOD_IN: { characters: string; font: string };
  /** The font has no small capitals of its own: the letters stay as typed. */
  SMALL_CAPITALS_MISSING: { font: string };
  /** A line is longer than the circle it runs round; from this radius on it fits. */
  CIRCLE_OVERFULL: { neededMm: number };
  /** Strokes of these letters are thinner than the wall of hollow letters: they stay full. */
  WALL_FILLS: { letters: string };
  /** What of an SVG file was left out, by its kinds; `count` of each. */
  DRAWING_SKIPPED: { what: DrawingSkip; count: number };
  /** A line is longer than the curve it runs along; it goes on straight. */
  CURVE_OVERFULL: { byMm: number };
  /** Letters with a depth or an edge of their own stand apart from their neighbours. */
  LETTERS_APART: { letters: string };
  /** Outlines of more points than are built: these letters are left out. */
  OUTLINE_TOO_LARGE: { letters: string; limit: number };
  /** Depth 0: a flat sheet, open on purpose. */
  FLAT_SHEET: Record<string, never>;
  /** Front and back edge together are deeper than the body; both were scaled. */
  EDGES_SCALED: { askedMm: number; takenMm: number };
  /** The edges leave no room for a side that is not straight. */
  SIDE_LEFT_STRAIGHT: { roomMm: number };
  /**
   * The section meets itself at this place, in from the outline and down from the front; a part that was drawn was left
   * simple.
   */
  SECTION_CROSSES: { inMm: number; downMm: number; instead: 'front' | 'back' | 'side' };
  /** The outline was made so much lighter that nothing is left of these letters. */
  LIGHTER_VANISHES: { letters: string };
  /** The outline was made so much lighter that strokes of these letters are gone or parted. */
  LIGHTER_BREAKS: { letters: string };
  /** Changed so much from front to back, these letters' walls cross, their own or each other's. */
  ALONG_CROSSES: { letters: string; finerMm?: number };
  /** An edge is finer than the grid of so large a lettering: it was left plain. */
  EDGE_TOO_FINE: { leastMm: number };
  /**
   * Strokes are thinner than the edge asked for somewhere: the slopes meet in ridges and no flat front is left on these
   * letters.
   */
  EDGE_MEETS: { letters: string };
  /** The edge could only be built after moving points by up to this much (first rung of the ladder). */
  EDGE_JITTERED: { letters: string; byMm: number };
  /** The edge could only be built after opening the outline by this much (second rung). */
  EDGE_OPENED: { letters: string; byMm: number };
  /** No valid faces of the wanted style were found for these letters: theirs are plain. */
  FACES_PLAIN: { letters: string };
  /** The edge had to be made narrower (last rung); 0 is none at all. */
  EDGE_NARROWED: { letters: string; askedMm: number; takenMm: number };
  /** Not even a plain wall could be proved sound: these letters are left out. */
  LETTER_LEFT_OUT: { letters: string };
  /** The words are kept, the solid is held back: it would have more faces than the budget. */
  OVER_BUDGET: { faces: number; budget: number };
  /** A step would have made more faces than the budget, so it was left out. */
  STEP_LEFT_OUT: { step: string; faces: number; budget: number };
  /**
   * A shape step turns part of the piece inside out, first seen at this place of the flat layout; up to the limit,
   * where there is one, nothing folds.
   */
  SHAPE_FOLDS: { stepId: string; step: string; xMm: number; yMm: number; zMm: number; limit?: number };
  /** A bend by a whole turn brings its ends together. */
  SHAPE_TOUCHES: { stepId: string; limit: number };
  /** Two letterings run into each other as they stand; moved so, the first has room. */
  PIECES_CROSS: { name: string; other: string; otherId: string; acrossMm: number; upMm: number };
  /**
   * Letters' faces cross after the shape steps, their own or each other's. `limit`: the height of a step that moves
   * outward up to which it makes nothing cross, where it is higher.
   */
  SHAPE_CROSSES: { letters: string; stepId?: string; limit?: number; finerMm?: number };
  /** Letters that lie beyond the end of the line they run along are left out. */
  LINE_ENDS: { letters: string };
  /** Edges are longer than the shape steps need, because somebody chose their size. */
  NEED_FINER: { haveMm: number; needMm: number };
  /** Edges are longer than the shape steps need, because finer ones would go over the budget of faces. */
  NEED_OVER_BUDGET: { haveMm: number; needMm: number; budget: number };
  /** No other piece is chosen to lay this one onto, or it is gone. */
  ONTO_NOTHING: { stepId: string };
  /** no piece, or one without an edge to run along */
  RUN_NOTHING: { stepId: string };
  /** a step would take more places of a grid than are allowed */
  RECAST_TOO_FINE: { places: number; limit: number; leastMm: number };
  /** nothing would be left of them, so they stay as they were; letters '' where a piece has none */
  RECAST_VANISHES: { letters: string };
  /**
   * Strokes thinner than the cells are gone, or hollows narrower than them filled; the first place, in the piece's own
   * axes. `finerMm`: cells that may do.
   */
  RECAST_LOSES: {
    stepId: string;
    what: 'gone' | 'filled';
    letters: string;
    xMm: number;
    yMm: number;
    zMm: number;
    finerMm?: number;
  };
  /**
   * Triangles that are left of those asked for, because fewer would cross each other or part what hangs together; and
   * their share of those before.
   */
  REDUCE_SHORT: { stepId: string; asked: number; left: number; percent: number };
  /** These pieces are laid onto each other in a circle; the step is left out. */
  ONTO_CYCLE: { stepId: string; pieces: string };
  /** The letter that a piece or a group hangs on is gone; it goes along with the whole piece `on`. */
  HUNG_LETTER_GONE: { itemId: string; on: string };
  /** The line of sight meets no model; the step is left out. Held from there it would meet the nearest place. */
  ONTO_MISSES: { stepId: string; fromMm?: ParamTriple; toward?: ParamTriple; up?: ParamTriple };
  /**
   * Letters that hang over an edge of the model or beside it, and what was done with them; at a share of their size
   * none does.
   */
  ONTO_OVERHANGS: { stepId: string; letters: string; instead: 'follow' | 'straight' | 'leave'; sizePercent: number };
  /** A line goes all the way round and meets itself; at a share of its size it does not. */
  ONTO_OVERFULL: { stepId: string; sizePercent: number };
  /** Letters with places below the surface, and by how much. */
  ONTO_SINKS: { stepId: string; letters: string; byMm: number; better: LaidBetter };
  /** the back of letters stands over the surface */
  ONTO_FLOATS: { stepId: string; letters: string; byMm: number; better: LaidBetter };
  /**
   * The model is so tight under these letters that they are squeezed to this share of their area; below zero they fold.
   * At a share of their size they are not.
   */
  ONTO_FOLDS: { stepId: string; letters: string; percent: number; sizePercent: number };
  /** A model has edges with one face, or with faces that do not agree. `joinMm`: joining points so near closes it. */
  MODEL_OPEN: { openEdges: number; badEdges: number; isClosed: boolean; joinMm?: number };
  /**
   * Of a model: pictures that lie by other texture coordinates than the first of their material, or that no browser
   * shows; and coarser levels of detail.
   */
  MODEL_LEFT_OUT: { pictures: number; levels: number };
  /** A step that cuts has nothing to cut with: no piece was chosen, or it is gone or empty. */
  CUT_NOTHING: { stepId: string };
  /** A step that cuts was left out. `because`: what is told of what cuts. */
  CUT_LEFT_OUT: { stepId: string; why: CutFault; because?: Remark };
  /** Letters, or a whole piece (none named), that do not meet what they are to cut or to stand on. */
  CUT_APART: {
    stepId: string;
    letters: string;
    /** nothing at all does */ all: boolean;
    /** it lies wholly inside */ isInside?: boolean;
    because?: Remark;
  };
  /** Faces cross where it was cut, once they are rounded to 32 bit as some files have them. */
  CUT_ROUNDS: { stepId: string };
  /** An imprint stands out less, or leans less, than was asked for: more would make faces cross. */
  CUT_RAISED_LESS: { stepId: string; askedMm: number; takenMm: number; leanPercent: number };
  /** A rounding inside the outline is narrower than asked for: a wider one lets faces cross. */
  CUT_RIM_NARROWED: { stepId: string; askedMm: number; takenMm: number };
  /** A rim wider than drawn is clipped; so wide it would not be. Letters: those whose rims meet. */
  CUT_RIM_CLIPPED: { stepId: string; by: 'floor' | 'neighbours' | 'border'; letters: string; fitsMm: number };
  /** Cutting has left parts that hang on nothing, like the inside of an O. */
  CUT_LOOSE: { stepId: string; parts: number; kept: boolean };
  /** A ring of quads was asked for, and part of the cut has no room for it. */
  CUT_RING: { stepId: string; edges: number; quads: number };
  /** Faces stay as they are, and lie off what the shape makes of them. */
  SHAPE_STRAYS: { stepId: string; byMm: number };
  /**
   * Letters that lie flat reach over the border of what they lie on. By its middle held elsewhere there is room, or at
   * a share of the size; neither where nothing helps.
   */
  ONTO_BORDER: {
    stepId: string;
    letters: string;
    moveMm?: number;
    /** where it is held then: before the surface, and on its side where it is held at one */
    fromMm?: ParamTriple;
    acrossMm?: number;
    upMm?: number;
    sizePercent?: number;
  };
  /**
   * More faces than so many would be needed within the tolerance asked for, so a larger one was taken. `fewMm`: one
   * that needs no more.
   */
  SHAPE_LOOSER: { askedMm: number; takenMm: number; faces: number; fewMm: number };
  /** Edges that the shape needs cut stayed longer, because the budget of faces was used up. */
  SHAPE_COARSE: { budget: number };
  /** More characters than are shaped; the words are kept, the solid is held back. */
  TEXT_TOO_LONG: { characters: number; limit: number };
  /** Letters stand apart but run into each other. */
  LETTERS_CROSS: { letters: string };
  /** Rounding to 32 bit would collapse this many faces. */
  ROUNDING_COLLAPSED: { faces: number };
}
export type RemarkCode = keyof RemarkParams;

export type Remark = { [C in RemarkCode]: { code: C; params: RemarkParams[C] } }[RemarkCode];

export function remark<C extends RemarkCode>(code: C, params: RemarkParams[C]): Remark {
  return { code, params } as Remark;
}
