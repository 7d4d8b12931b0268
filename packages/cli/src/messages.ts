import type { CutFault, DrawingSkip, ErrorParams, Failure, MeshFault, Remark, RemarkParams } from '@fictile/core';

/** Faults that only the command line knows. */
export interface CliFault {
  code:
    | 'FLAG_UNKNOWN'
    | 'FLAG_VALUE'
    | 'FLAG_MISSING'
    | 'FILE_UNREADABLE'
    | 'FILE_UNWRITABLE'
    | 'COMMAND_UNKNOWN'
    | 'CASE_BROKEN'
    | 'CASE_ENDED'
    | 'PIECE_UNKNOWN'
    | 'NOTHING_BUILT'
    | 'ONTO_MISSES'
    | 'CUT_NOTHING'
    | 'CUT_LEFT_OUT'
    | 'CUT_APART'
    | 'TABLE_BROKEN'
    | 'FORMAT_UNKNOWN';
  message: string;
}

export class InputFault extends Error {
  readonly code: string;

  constructor(code: string, message: string) {
    super(message);
    this.code = code;
  }
}

/** Of what nobody could have done anything about. */
export const OURS =
  'Something of ours broke; nothing was written. Please report it, with the command and its files (FICTILE_DEBUG=1 tells more).';

export const fault = (code: CliFault['code'], message: string): InputFault => new InputFault(code, message);

export const faultOf = (failure: Failure): InputFault => new InputFault(failure.code, failureText(failure));

const FONT_WHY: Readonly<Record<ErrorParams['FONT_BROKEN']['why'], string>> = {
  signature: 'it does not begin like a font',
  tables: 'it lacks the tables every font has',
  cut: 'it ends before its last table does: it was cut short',
  'no-glyphs': 'it has no characters, or no outlines',
  'too-large': 'it is larger than 40 MB',
};

/** What happened, and what to do. */
export function failureText(failure: Failure): string {
  switch (failure.code) {
    case 'FONT_BROKEN':
      return `${failure.params.name} can't be read as a font: ${FONT_WHY[failure.params.why]}. Give a TTF or OTF file.`;
    case 'FONT_PACKED':
      return `${failure.params.name} is packed for the web (${failure.params.format}). Unpack it to TTF or OTF first.`;
    case 'FONT_UNKNOWN':
      return `No font called "${failure.params.name}". Give a shipped family (Work Sans, Zilla Slab, Bodoni Moda, Pacifico, Recursive) or a font file.`;
    case 'VALUE_OUT_OF_RANGE': {
      const { field, value, min, max, unit } = failure.params;
      return `${field} is ${value} ${unit}; it can lie between ${min} and ${max}. Choose a value in between.`;
    }
    case 'PROJECT_BROKEN':
      return `The project does not fit together at "${failure.params.path}": ${failure.params.why}. Save it again from the application.`;
    case 'SECTION_BROKEN':
      return `The section can't be read at "${failure.params.path}": ${failure.params.why}. Look at fictile schema section.`;
    case 'PROJECT_NEWER':
      return `The project was saved by a later version (${failure.params.version}; this one reads up to ${failure.params.known}). Update Fictile.`;
    case 'MESH_BROKEN':
      return meshText(failure.params);
    case 'MODEL_UNKNOWN':
      return "The project's model is not at hand. Save the project again from the application.";
    case 'DRAWING_BROKEN':
      return drawingText(failure.params);
    case 'DRAWING_EMPTY':
      return failure.params.skipped.includes('text')
        ? 'The drawing holds nothing but text. Turn its text into paths before saving it, or build the words with --text.'
        : 'The drawing holds nothing that is painted. Save it with filled or stroked paths.';
    case 'TOO_LARGE':
      return `The ${failure.params.what} is too large: ${failure.params.size}, the limit is ${failure.params.limit}. Divide it.`;
    case 'EDIT_MISPLACED':
      return `There is no ${failure.params.what} "${failure.params.id}" in this project. Look at its pieces.`;
    case 'PIECE_LOCKED':
      return `The piece "${failure.params.name}" is locked. Unlock it first.`;
    case 'PIECE_BROKE':
      return OURS;
    case 'CANCELLED':
      return 'The work was stopped. Start it again.';
  }
}

function drawingText({ line, why }: ErrorParams['DRAWING_BROKEN']): string {
  if (why === 'not-svg') return 'That is neither SVG nor PDF. Save the drawing as one of them.';
  if (why === 'pdf') return 'The PDF is damaged and can not be read. Save it again from where it came.';
  if (why === 'locked') return 'The PDF is locked with a password. Save it without one.';
  if (why === 'size') return "The drawing's size can't be told: it has none, or none that is a number. Save it again.";
  return `The SVG can't be read (line ${line}): its tags do not fit together. Save it again from where it came.`;
}

const SKIPPED: Readonly<Record<DrawingSkip, string>> = {
  text: 'Text is no outline and was left out (turn it into paths, or build it with --text)',
  picture: 'Pictures were left out',
  script: 'Scripts were left out; nothing of them was run',
  outside: 'What lies outside the file was left out',
  gradient: 'Gradients became their first colour',
  clip: 'Clips and masks were left off; what they hide is shown',
  path: 'Paths that can not be read were left out',
  number: 'Transforms that can not be read were left off',
  colours: 'Colours beyond the 64th became that one',
  effect: 'Filters and other effects were left off',
  style: 'Rules of the style sheet that are not understood were left off',
  pages: 'Pages after the first were left out',
};

const MESH_WHY: Readonly<Record<MeshFault, string>> = {
  start: 'it does not begin as such files do',
  version: 'it is of a version or kind that is not known here',
  short: 'it ends too early: it was cut short',
  length: 'there is more in it than it says',
  line: 'a word stands where none can be',
  vertex: 'a point is not three numbers',
  face: 'a face names points that are not there',
  corners: 'a face has fewer or more corners than it can have',
  'no faces': 'it holds no faces',
  count: 'a number of parts does not fit its length',
  property: 'a property of its points or faces is missing or of no known type',
  packed: 'its meshes are compressed, and can not be unpacked here',
  json: 'its description is not as glTF has it',
  entries: 'it lists more parts than can be read',
  accessor: 'it names numbers that lie outside of it',
  reference: 'its parts name others that are not there',
  nodes: 'its parts hang on each other in a circle, or on two at once',
  posed: 'its shape is set by a skeleton or by mixed-in shapes; save it as it stands, without them',
  outside: 'parts of it lie outside of its own block of data; save it as one binary file',
  extension: 'it needs an extension that is not known here',
  data: 'its numbers can not be unpacked',
};

function meshText({ format, place, why }: ErrorParams['MESH_BROKEN']): string {
  const where = format === 'obj' ? `line ${place}` : `byte ${place}`;
  return `The ${format.toUpperCase()} can't be read (${where}): ${MESH_WHY[why]}. Save it again from where it came.`;
}

const CROSSING_INSTEAD = {
  front: 'the front edge was built as a chamfer',
  back: 'the back edge was built as a chamfer',
  side: 'the side was built straight',
} as const;

const CLIPPED = {
  floor: 'The rim is wider than the recess is deep and ends in its floor',
  neighbours: 'Rims run into each other',
  border: 'The rim reaches over the border of the model',
} as const;

const OVERHANGS = {
  follow: 'Over an edge of the model, bent round it',
  straight: 'Beside the model or over its edge, straight on',
  leave: 'Beside the model or over its edge, left out',
} as const;

const mm = (v: number): string => `${Number(v.toPrecision(3))} mm`;

type ShapeRemark = Extract<
  Remark,
  {
    code:
      | 'SHAPE_FOLDS'
      | 'SHAPE_TOUCHES'
      | 'SHAPE_CROSSES'
      | 'PIECES_CROSS'
      | 'LINE_ENDS'
      | 'NEED_FINER'
      | 'NEED_OVER_BUDGET'
      | 'SHAPE_COARSE'
      | 'SHAPE_LOOSER'
      | 'SHAPE_STRAYS'
      | 'ONTO_BORDER'
      | 'ONTO_NOTHING'
      | 'RUN_NOTHING'
      | 'RECAST_TOO_FINE'
      | 'RECAST_VANISHES'
      | 'RECAST_LOSES'
      | 'ONTO_CYCLE'
      | 'ONTO_MISSES'
      | 'ONTO_OVERHANGS'
      | 'ONTO_OVERFULL'
      | 'ONTO_SINKS'
      | 'ONTO_FLOATS'
      | 'ONTO_FOLDS'
      | 'MODEL_OPEN'
      | 'MODEL_LEFT_OUT'
      | 'CUT_NOTHING'
      | 'CUT_LEFT_OUT'
      | 'CUT_APART'
      | 'CUT_LOOSE'
      | 'CUT_RING'
      | 'CUT_ROUNDS'
      | 'CUT_RAISED_LESS'
      | 'CUT_RIM_NARROWED'
      | 'CUT_RIM_CLIPPED'
      | 'REDUCE_SHORT';
  }
>;

export function remarkText(remark: Remark): string {
  switch (remark.code) {
    case 'TEXT_EMPTY':
      return 'There are no words: nothing to build.';
    case 'GLYPH_MISSING':
      return `${remark.params.font} has no shape for ${remark.params.characters}: a box stands in.`;
    case 'FONT_STOOD_IN':
      return `${remark.params.font} stands in for: ${remark.params.characters}`;
    case 'SMALL_CAPITALS_MISSING':
      return `${remark.params.font} has no small capitals: the letters stay as typed.`;
    case 'CIRCLE_OVERFULL':
      return `A line is longer than its circle, its ends overlap: from a radius of ${mm(remark.params.neededMm)} on it fits.`;
    case 'DRAWING_SKIPPED':
      return `${SKIPPED[remark.params.what]}: ${remark.params.count}.`;
    case 'CURVE_OVERFULL':
      return `A line is longer than its curve by ${mm(remark.params.byMm)}: it goes on straight.`;
    case 'OUTLINE_TOO_LARGE':
      return `Outlines of more than ${remark.params.limit} points, or that run over themselves ten thousand times, are not built; left out: ${remark.params.letters}`;
    case 'LETTERS_APART':
      return `With a solid of their own these stand a hair apart from their neighbours: ${remark.params.letters}`;
    case 'WALL_FILLS':
      return `Strokes are thinner than the wall, these stay full: ${remark.params.letters}`;
    case 'FLAT_SHEET':
      return 'Depth 0: a flat sheet, open on purpose.';
    case 'EDGES_SCALED':
      return `The edges are ${mm(remark.params.askedMm)} deep together, the body ${mm(remark.params.takenMm)}: both were scaled to fit.`;
    case 'SIDE_LEFT_STRAIGHT':
      return `Between the edges only ${mm(remark.params.roomMm)} are left: the side stays straight.`;
    case 'SECTION_CROSSES':
      return `The section crosses itself ${mm(remark.params.inMm)} in and ${mm(remark.params.downMm)} down: ${CROSSING_INSTEAD[remark.params.instead]}.`;
    case 'LIGHTER_VANISHES':
      return `The outline is so much lighter that nothing is left of: ${remark.params.letters}`;
    case 'LIGHTER_BREAKS':
      return `The outline is so much lighter that thin strokes are gone or parted: ${remark.params.letters}`;
    case 'ALONG_CROSSES':
      return `Changed so much from front to back, walls run into each other: ${remark.params.letters}${finerText(remark.params)}`;
    case 'EDGE_TOO_FINE':
      return `Lettering this large takes edges from ${mm(remark.params.leastMm)} on: a finer one was left plain.`;
    case 'EDGE_MEETS':
      return `The edge is wider than these strokes, the slopes meet in a ridge: ${remark.params.letters}`;
    case 'EDGE_JITTERED':
      return `Points were moved by up to ${mm(remark.params.byMm)} to build the edge of: ${remark.params.letters}`;
    case 'EDGE_OPENED':
      return `Outlines were opened by ${mm(remark.params.byMm)} to build the edge of: ${remark.params.letters}`;
    case 'FACES_PLAIN':
      return `No valid faces of that style were found, plain ones stand in: ${remark.params.letters}`;
    case 'EDGE_NARROWED':
      return `The edge was narrowed from ${mm(remark.params.askedMm)} to ${mm(remark.params.takenMm)} on: ${remark.params.letters}`;
    case 'LETTER_LEFT_OUT':
      return `No sound solid could be built, left out: ${remark.params.letters}`;
    case 'OVER_BUDGET':
      return `About ${remark.params.faces} faces, the budget is ${remark.params.budget}: the solid is held back.`;
    case 'STEP_LEFT_OUT':
      return `${remark.params.step} would make about ${remark.params.faces} faces, the budget is ${remark.params.budget}: left out.`;
    case 'TEXT_TOO_LONG':
      return `${remark.params.characters} characters; up to ${remark.params.limit} are built: the solid is held back.`;
    case 'LETTERS_CROSS':
      return `These letters stand apart but run into each other: ${remark.params.letters}`;
    case 'ROUNDING_COLLAPSED':
      return `${remark.params.faces} faces vanished in rounding to 32 bit. Choose mm, or less detail.`;
    default:
      return shapeText(remark);
  }
}

const CUT_FAULTS: Readonly<Record<CutFault, string>> = {
  open: 'The model is not closed, or edges have more than two faces: it has no inside that could be cut. Close it, or try --close-holes.',
  inward: 'The model faces inward. Turn its faces round.',
  cutter:
    'The lettering is no closed solid there, so nothing was cut. Give it depth, or lay it where the surface is less tight.',
  kernel: 'Cutting failed. Move the words a little, or make the model simpler.',
  large: 'The model has too many points to be cut. Reduce it first.',
  fine: 'Points lie nearer to each other than can be told apart. Join them first.',
  crossed:
    'As it lies there the lettering runs through itself, so nothing was cut. Make it smaller, its rim narrower, or choose another --method.',
  result: 'Faces would cross where it is cut, so nothing was cut. Move the words a little, or take another size.',
  empty: 'Nothing would be left: where they stand the two share nothing, or one holds the other. Move the words.',
  volume:
    'What came out of the cut has the wrong volume: faces of the model, or of the lettering as it lies there, run through each other. Mend the model, or choose another --method.',
};

function lostText({ what, letters, xMm, yMm, zMm }: RemarkParams['RECAST_LOSES']): string {
  const whose = letters === '' ? '' : ` of ${letters}`;
  const lost =
    what === 'gone' ? 'Strokes thinner than the cells are gone' : 'Hollows narrower than the cells are filled';
  return `${lost}${whose}: first at ${mm(xMm)} across, ${mm(yMm)} up, ${mm(zMm)} deep.`;
}

const finerText = ({ finerMm }: { finerMm?: number }): string =>
  finerMm === undefined ? '' : `; strokes are thinner than curves are true: --tolerance ${finerMm} may do`;

function crossingText({ letters, limit, finerMm }: RemarkParams['SHAPE_CROSSES']): string {
  const up = limit === undefined ? '' : `; up to ${mm(Math.abs(limit))} of unevenness nothing does`;
  return `Shaped so, faces run into each other${letters === '' ? '' : `: ${letters}`}${up || finerText({ finerMm }) || (letters === '' ? '.' : '')}`;
}

/** Of shapes, and of what lies on models. */
function shapeText(remark: ShapeRemark): string {
  switch (remark.code) {
    case 'SHAPE_FOLDS':
      return `The ${remark.params.step} turns the inside out at ${['x', 'y', 'z'].map((k) => mm(remark.params[`${k}Mm` as 'xMm'])).join(', ')}${remark.params.limit === undefined ? '.' : `: up to ${Number(remark.params.limit.toPrecision(3))} nothing folds.`}`;
    case 'SHAPE_TOUCHES':
      return `The ends of the bend touch: up to ${remark.params.limit} degrees they stay apart.`;
    case 'SHAPE_CROSSES':
      return crossingText(remark.params);
    case 'PIECES_CROSS':
      return `${remark.params.name} and ${remark.params.other} run into each other; moved by ${mm(remark.params.acrossMm)} across and ${mm(remark.params.upMm)} up the first has room.`;
    case 'LINE_ENDS':
      return `The line ends before these letters, left out: ${remark.params.letters}`;
    case 'NEED_FINER':
      return `Edges are ${mm(remark.params.haveMm)} long, the shape needs ${mm(remark.params.needMm)}: leave out --face-size and --bands to have it so.`;
    case 'NEED_OVER_BUDGET':
      return `Edges are ${mm(remark.params.haveMm)} long: the ${mm(remark.params.needMm)} that the shape needs would go over the budget of ${remark.params.budget} faces.`;
    case 'SHAPE_COARSE':
      return `Some edges stay longer than the shape needs: finer ones would go over the budget of ${remark.params.budget} faces.`;
    case 'SHAPE_LOOSER':
      return `Within ${mm(remark.params.askedMm)} the shape would need more than ${remark.params.faces} faces, so they stay within ${mm(remark.params.takenMm)}`;
    case 'SHAPE_STRAYS':
      return `Faces stay as they are, up to ${mm(remark.params.byMm)} off the shape.`;
    case 'ONTO_BORDER':
      return borderText(remark.params);
    case 'ONTO_NOTHING':
      return 'There is nothing to lay the piece onto.';
    case 'RUN_NOTHING':
      return 'There is no edge for the piece to run along.';
    case 'RECAST_TOO_FINE':
      return `Casting anew would take a grid of ${remark.params.places} places, more than ${remark.params.limit}. Take cells of ${mm(remark.params.leastMm)} or more.`;
    case 'RECAST_VANISHES':
      return `Cells are too coarse for ${remark.params.letters === '' ? 'the piece' : remark.params.letters}: nothing would be left, so nothing was changed there.`;
    case 'RECAST_LOSES':
      return lostText(remark.params);
    case 'ONTO_CYCLE':
      return `These pieces are laid onto each other: ${remark.params.pieces}. The step is left out.`;
    case 'ONTO_MISSES':
      return 'Looking from --from along --toward, no model is met. Choose another place or direction.';
    case 'ONTO_OVERHANGS':
      return `${OVERHANGS[remark.params.instead]}: ${remark.params.letters}`;
    case 'ONTO_OVERFULL':
      return `The words go all the way round and their ends run into each other; at ${Math.floor(remark.params.sizePercent)} % of their size they do not`;
    case 'ONTO_SINKS':
      return `Up to ${mm(remark.params.byMm)} below the surface: ${remark.params.letters}`;
    case 'ONTO_FLOATS':
      return `The back of letters stands up to ${mm(remark.params.byMm)} over the surface: ${remark.params.letters}`;
    case 'ONTO_FOLDS':
      return `The model curves so tightly that letters ${remark.params.percent > 0 ? `keep ${Math.round(remark.params.percent)} % of their area` : 'fold over'}: ${remark.params.letters}`;
    case 'CUT_NOTHING':
      return 'There is nothing to cut with.';
    case 'CUT_LEFT_OUT':
      return CUT_FAULTS[remark.params.why];
    case 'CUT_APART':
      return `${remark.params.isInside ? 'These lie wholly inside the model' : 'These do not touch the model'}: ${remark.params.letters}`;
    case 'CUT_ROUNDS':
      return 'Rounded to 32 bit, some faces cross by a hair where it was cut. Move the words a little.';
    case 'REDUCE_SHORT':
      return `Of the ${remark.params.asked} triangles asked for it keeps ${remark.params.left}: with fewer, faces would cross or parts would be lost.`;
    case 'CUT_RIM_CLIPPED':
      return `${CLIPPED[remark.params.by]}${remark.params.letters && `: ${remark.params.letters}`}. A rim of ${mm(remark.params.fitsMm)} fits`;
    case 'CUT_RIM_NARROWED':
      return `Inside the outline there is no room for a rounding of ${mm(remark.params.askedMm)}: it is ${mm(remark.params.takenMm)} wide. --soften-side outward has room for any.`;
    case 'CUT_RAISED_LESS':
      return `More would make faces cross: the imprint stands ${mm(remark.params.takenMm)} high and leans by ${Number(remark.params.leanPercent.toPrecision(2))} %.`;
    case 'CUT_LOOSE':
      return `${remark.params.parts} parts hang on nothing after the cut${remark.params.kept ? ': --loose drop leaves them out.' : ', left out.'}`;
    case 'CUT_RING':
      return `There is room for quads beside ${remark.params.quads} of the cut's ${remark.params.edges} edges. A narrower ring may find more.`;
    case 'MODEL_LEFT_OUT':
      return `Left out of the model: ${remark.params.pictures} pictures that lie by coordinates of their own or are of another kind, ${remark.params.levels} coarser levels of detail.`;
    case 'MODEL_OPEN':
      return `The model is not closed: ${remark.params.openEdges} open edges, ${remark.params.badEdges} edges with too many faces.`;
  }
}

const borderText = ({ letters, moveMm, sizePercent }: RemarkParams['ONTO_BORDER']): string => {
  const cure =
    moveMm !== undefined
      ? ` Moved by ${mm(moveMm)} they have room.`
      : sizePercent !== undefined
        ? ` At ${Math.floor(sizePercent)} % of their size they have room.`
        : '';
  return `Over the border of what they lie on: ${letters}.${cure}`;
};
