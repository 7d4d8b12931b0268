import {
  canClose,
  type DrawingSkip,
  type ErrorParams,
  type Failure,
  type MeshFault,
  type Remark,
  type RemarkParams,
} from '@fictile/core';
import { cutRemarkText, type CutRemark } from './cutRemarks.ts';
import { mm } from './lengths.ts';
import { stepName } from './stepName.ts';

const STEP_NAMES: Readonly<Record<string, string>> = { subdivide: 'Subdividing', triangles: 'Cutting into triangles' };

type ShapeRemark =
  | CutRemark
  | Extract<
      Remark,
      {
        code:
          | 'SHAPE_FOLDS'
          | 'SHAPE_TOUCHES'
          | 'SHAPE_CROSSES'
          | 'PIECES_CROSS'
          | 'SHAPE_COARSE'
          | 'SHAPE_LOOSER'
          | 'SHAPE_STRAYS'
          | 'ONTO_BORDER'
          | 'ONTO_NOTHING'
          | 'RUN_NOTHING'
          | 'RECAST_TOO_FINE'
          | 'RECAST_VANISHES'
          | 'RECAST_LOSES'
          | 'REDUCE_SHORT'
          | 'ONTO_CYCLE'
          | 'ONTO_MISSES'
          | 'ONTO_OVERHANGS'
          | 'ONTO_OVERFULL'
          | 'ONTO_SINKS'
          | 'ONTO_FLOATS'
          | 'ONTO_FOLDS'
          | 'MODEL_OPEN'
          | 'MODEL_LEFT_OUT'
          | 'LINE_ENDS'
          | 'NEED_FINER'
          | 'NEED_OVER_BUDGET';
      }
    >;

/** What the mesh has to tell: what happened, what it means, what to do. */
export function remarkText(remark: Remark): string {
  switch (remark.code) {
    case 'TEXT_EMPTY':
      return 'No words yet. Type some to see them here.';
    case 'GLYPH_MISSING':
      return `${remark.params.font} has no shape for ${remark.params.characters}, nor has any other font here. A box stands in.`;
    case 'FONT_STOOD_IN':
      return `${remark.params.font} stands in for ${remark.params.characters}`;
    case 'SMALL_CAPITALS_MISSING':
      return `${remark.params.font} has no small capitals; the letters stay as typed.`;
    case 'CIRCLE_OVERFULL':
      return `The words are longer than their circle, so their ends overlap. From a radius of ${remark.params.neededMm} mm on they fit.`;
    case 'DRAWING_SKIPPED':
      return skippedText(remark.params);
    case 'CURVE_OVERFULL':
      return `The words are ${mm(remark.params.byMm)} longer than their curve. They go on straight where it ends.`;
    case 'OUTLINE_TOO_LARGE':
      return `Outlines of more than ${remark.params.limit.toLocaleString('en')} points, or that run over themselves ten thousand times, are not built; left out: ${remark.params.letters}`;
    case 'LETTERS_APART':
      return `With a solid of their own these stand a hair apart from their neighbours: ${remark.params.letters}`;
    case 'WALL_FILLS':
      return `Strokes are thinner than the wall, so these stay full: ${remark.params.letters}`;
    case 'FLAT_SHEET':
      return 'Raised 0 mm: a flat sheet, open at its rim.';
    case 'EDGES_SCALED':
      return `The edges together are ${mm(remark.params.askedMm)} deep, the body only ${mm(remark.params.takenMm)}. Both were scaled to fit.`;
    case 'SIDE_LEFT_STRAIGHT':
      return `Between the edges only ${mm(remark.params.roomMm)} are left, so the side stays straight.`;
    case 'SECTION_CROSSES':
      return `The section crosses itself ${mm(remark.params.inMm)} in and ${mm(remark.params.downMm)} down, so ${CROSSING_INSTEAD[remark.params.instead]}. Draw its section without the crossing.`;
    case 'LIGHTER_VANISHES':
      return `The outline is so much lighter that nothing is left of ${remark.params.letters}`;
    case 'LIGHTER_BREAKS':
      return `The outline is so much lighter that thin strokes are gone or parted: ${remark.params.letters}`;
    case 'ALONG_CROSSES':
      return `Turned or widened so much towards the back, walls run into each other: ${remark.params.letters}.${finerText(remark.params) || ' Turn less, or set the letters wider.'}`;
    case 'EDGE_TOO_FINE':
      return `Lettering this large takes edges from ${mm(remark.params.leastMm)} on; a finer one was left plain.`;
    case 'EDGE_MEETS':
      return `The edge is wider than these strokes, so the slopes meet in a ridge: ${remark.params.letters}`;
    case 'EDGE_JITTERED':
      return `Some points were moved by up to ${mm(remark.params.byMm)} to build the edge of ${remark.params.letters}`;
    case 'EDGE_OPENED':
      return `The outline was opened by ${mm(remark.params.byMm)} to build the edge of ${remark.params.letters}`;
    case 'FACES_PLAIN':
      return `No valid faces of this style were found for these letters, so theirs are plain: ${remark.params.letters}`;
    case 'EDGE_NARROWED':
      return `The edge of ${remark.params.letters} had to be narrowed from ${mm(remark.params.askedMm)} to ${mm(remark.params.takenMm)}.`;
    case 'LETTER_LEFT_OUT':
      return `No sound solid could be built for ${remark.params.letters}; left out.`;
    case 'OVER_BUDGET':
      return `These words would make about ${remark.params.faces.toLocaleString('en')} faces, more than the ${remark.params.budget.toLocaleString('en')} allowed. The words are kept, the solid is held back.`;
    case 'STEP_LEFT_OUT':
      return `${STEP_NAMES[remark.params.step] ?? remark.params.step} would make about ${remark.params.faces.toLocaleString('en')} faces, more than the ${remark.params.budget.toLocaleString('en')} allowed, so it was left out.`;
    case 'TEXT_TOO_LONG':
      return `${remark.params.characters.toLocaleString('en')} characters: up to ${remark.params.limit.toLocaleString('en')} are built. The words are kept, the solid is held back.`;
    case 'LETTERS_CROSS':
      return `These letters stand apart but run into each other: ${remark.params.letters}`;
    case 'ROUNDING_COLLAPSED':
      return `${remark.params.faces} faces vanished in rounding to 32 bit. Save in millimetres, or with less detail.`;
    default:
      return shapeText(remark);
  }
}

/** Of shapes, and of what lies on models. */
function shapeText(remark: ShapeRemark): string {
  switch (remark.code) {
    case 'SHAPE_FOLDS':
      return foldText(remark.params);
    case 'SHAPE_TOUCHES':
      return `Bent all the way round, the ends touch. Up to ${Math.abs(remark.params.limit)}° they stay apart.`;
    case 'SHAPE_CROSSES':
      return crossingText(remark.params);
    case 'PIECES_CROSS':
      return `It runs into “${remark.params.other}”.`;
    case 'SHAPE_COARSE':
      return `Some edges stay longer than the shape needs: finer ones would go over the ${remark.params.budget.toLocaleString('en')} faces allowed.`;
    case 'SHAPE_LOOSER':
      return `Within ${mm(remark.params.askedMm)} the shape would need more than ${remark.params.faces.toLocaleString('en')} faces, so they stay within ${mm(remark.params.takenMm)}.`;
    case 'SHAPE_STRAYS':
      return `Faces stay as they are, up to ${mm(remark.params.byMm)} off the shape.`;
    case 'ONTO_BORDER':
      return `Over the border of what they lie on: ${remark.params.letters}.`;
    case 'ONTO_NOTHING':
      return 'Choose a piece to lay this one onto.';
    case 'RUN_NOTHING':
      return 'Choose a piece with an edge that this one can run along.';
    case 'RECAST_TOO_FINE':
      return `Casting anew would take a grid of ${(remark.params.places / 1e6).toFixed(0)} million places, more than the ${(remark.params.limit / 1e6).toFixed(0)} million allowed. Take cells of ${mm(remark.params.leastMm)} or more.`;
    case 'RECAST_VANISHES':
      return `Cells are too coarse for ${remark.params.letters === '' ? 'this piece' : remark.params.letters}: nothing would be left. Take smaller ones, or make sheets thick.`;
    case 'RECAST_LOSES':
      return lostText(remark.params);
    case 'REDUCE_SHORT':
      return `Of the ${remark.params.asked.toLocaleString('en')} triangles asked for it keeps ${remark.params.left.toLocaleString('en')}: with fewer, faces would cross or parts would be lost.`;
    case 'ONTO_CYCLE':
      return `These pieces lie on each other in a circle: ${remark.params.pieces}. The step is left out.`;
    case 'ONTO_MISSES':
      return 'The place it is held at does not look at the model, so the step is left out. Change where it is held.';
    case 'ONTO_OVERHANGS':
      return `Beside the model or over its edge: ${remark.params.letters}. ${OVERHANGS[remark.params.instead]}`;
    case 'ONTO_OVERFULL':
      return 'The words go all the way round, so their ends run into each other.';
    case 'ONTO_SINKS':
      return `Letters sink into the surface by up to ${mm(remark.params.byMm)}: ${remark.params.letters}.`;
    case 'ONTO_FLOATS':
      return `The back of letters stands over the surface by up to ${mm(remark.params.byMm)}: ${remark.params.letters}.`;
    case 'ONTO_FOLDS':
      return remark.params.percent > 0
        ? `The surface curves so tightly that letters keep ${Math.round(remark.params.percent)} % of their area: ${remark.params.letters}. Make them smaller or move them.`
        : `The surface curves so tightly that letters fold over: ${remark.params.letters}. Make them smaller or move them.`;
    case 'MODEL_OPEN':
      return openText(remark.params);
    case 'MODEL_LEFT_OUT':
      return leftOutText(remark.params);
    case 'LINE_ENDS':
      return `The line is too short; left out: ${remark.params.letters}`;
    case 'NEED_FINER':
      return `Edges are ${mm(remark.params.haveMm)} long, the shape needs ${mm(remark.params.needMm)}: curves show corners.`;
    case 'NEED_OVER_BUDGET':
      return `The shape needs edges of ${mm(remark.params.needMm)}; within ${remark.params.budget.toLocaleString('en')} faces they are ${mm(remark.params.haveMm)}. Make the shape gentler, or the tolerance larger.`;
    default:
      return cutRemarkText(remark);
  }
}

const CROSSING_INSTEAD = {
  front: 'the front edge was built as a chamfer',
  back: 'the back edge was built as a chamfer',
  side: 'the side was built straight',
} as const;

const OVERHANGS = {
  straight: 'They run on straight.',
  follow: 'They bend round it.',
  leave: 'They are left out.',
} as const;

const SKIPPED: Readonly<Record<DrawingSkip, string>> = {
  text: 'Text is no outline and was left out. Turn it into paths in the drawing, or type it here.',
  picture: 'Pictures were left out.',
  script: 'Scripts were left out, none was run.',
  outside: 'What lies outside the file was left out.',
  gradient: 'Gradients became their first colour.',
  clip: 'Clips and masks were left off, what they hide is shown.',
  path: 'Paths that can’t be read were left out.',
  number: 'Transforms that can’t be read were left off.',
  colours: 'Colours beyond the 64th became that one.',
  effect: 'Filters and other effects were left off.',
  style: 'Some rules of its style sheet were left off.',
  pages: 'Pages after the first were left out.',
};

const skippedText = ({ what, count }: { what: DrawingSkip; count: number }): string =>
  count === 1 ? SKIPPED[what] : `${SKIPPED[what]} (${count.toLocaleString('en')} times)`;

function leftOutText({ pictures, levels }: RemarkParams['MODEL_LEFT_OUT']): string {
  const counted = pictures === 1 ? 'A picture is' : `${pictures} pictures are`;
  return [
    ...(pictures > 0 ? [`${counted} left out: laid by coordinates of their own, or of a kind that is not shown.`] : []),
    ...(levels > 0 ? [`The file holds this model ${levels + 1} times, finer and coarser. The finest came in.`] : []),
  ].join(' ');
}

function lostText({ what, letters, xMm, yMm, zMm }: RemarkParams['RECAST_LOSES']): string {
  const whose = letters === '' ? '' : ` of ${letters}`;
  const place = `${mm(xMm)} across, ${mm(yMm)} up, ${mm(zMm)} deep`;
  return what === 'gone'
    ? `Strokes${whose} are thinner than the cells and are gone, first at ${place}.`
    : `Hollows${whose} are narrower than the cells and are filled, first at ${place}.`;
}

/** Chords of strokes thinner than they are true. */
const finerText = ({ finerMm }: { finerMm?: number }): string =>
  finerMm === undefined ? '' : ` Their strokes are thinner than curves are true: keep them within ${mm(finerMm)}.`;

function crossingText({ letters, limit, finerMm }: RemarkParams['SHAPE_CROSSES']): string {
  const up = limit === undefined ? '' : ` Up to ${mm(Math.abs(limit))} of unevenness nothing does.`;
  return `Shaped like this, faces run into each other${letters === '' ? '' : `: ${letters}`}.${up}${finerText({ finerMm })} Look at Checks for the places.`;
}

function foldText({ step, xMm, yMm, zMm, limit }: RemarkParams['SHAPE_FOLDS']): string {
  const place = `${mm(xMm)} across, ${mm(yMm)} up, ${mm(zMm)} deep`;
  const value = limit === undefined ? undefined : Number(limit.toPrecision(3));
  return `“${stepName(step)}” folds the letters into themselves, first at ${place} in the flat layout.${value === undefined ? '' : ` Up to ${value} nothing folds.`}`;
}

function openText(params: RemarkParams['MODEL_OPEN']): string {
  const { openEdges, badEdges, joinMm } = params;
  const counts = `${openEdges.toLocaleString('en')} open edges, ${badEdges.toLocaleString('en')} with too many faces.`;
  if (joinMm !== undefined)
    return `This model is not closed: ${counts} Its points lie up to ${joinMm} mm beside each other; joined, it is closed.`;
  return `This model is not closed: ${counts}${canClose(params) ? '' : ` The step “${stepName('recast')}” makes a closed solid of it.`}`;
}

function brokenText({ why, line }: ErrorParams['DRAWING_BROKEN']): string {
  if (why === 'xml') return `The drawing can’t be read: in line ${line} its tags do not fit together. Save it again.`;
  return DRAWING_WHY[why];
}

const DRAWING_WHY: Readonly<Record<Exclude<ErrorParams['DRAWING_BROKEN']['why'], 'xml'>, string>> = {
  'not-svg': 'That is no drawing: neither SVG nor PDF. Save it as one of them and bring it in again.',
  size: 'The drawing’s size can’t be told. Save it again with a size.',
  pdf: 'The PDF is damaged and can’t be read. Save it again.',
  locked: 'The PDF is locked with a password. Save it without one.',
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
  packed: 'its meshes are compressed, and can’t be unpacked here',
  json: 'its description is not as glTF has it',
  entries: 'it lists more parts than can be read',
  accessor: 'it names numbers that lie outside of it',
  reference: 'its parts name others that are not there',
  nodes: 'its parts hang on each other in a circle, or on two at once',
  posed: 'its shape is set by a skeleton or by mixed-in shapes; save it as it stands, without them',
  outside: 'parts of it lie outside of its own block of data; save it as one binary file',
  extension: 'it needs an extension that is not known here',
  data: 'its numbers can’t be unpacked',
};

export function failureText(failure: Failure): string {
  switch (failure.code) {
    case 'FONT_UNKNOWN':
      return `The font ${failure.params.name} can’t be loaded. Is the server running?`;
    case 'FONT_BROKEN':
      if (failure.params.why === 'cut')
        return `The font ${failure.params.name} was cut short: it ends before its last table does. Get the file again.`;
      return `The font ${failure.params.name} can’t be read. Choose another.`;
    case 'FONT_PACKED':
      return `The font ${failure.params.name} can’t be read. Choose another.`;
    case 'VALUE_OUT_OF_RANGE':
      return `The ${failure.params.field} would be ${failure.params.value} ${failure.params.unit}; up to ${failure.params.max} can be built. Make it smaller.`;
    case 'DRAWING_BROKEN':
      return brokenText(failure.params);
    case 'DRAWING_EMPTY':
      return failure.params.skipped.includes('text')
        ? 'The drawing holds nothing but text. Turn the text into paths before saving it, or type the words here.'
        : failure.params.skipped === 'picture'
          ? 'Nothing of the picture is ink. Say another share of light, or smaller specks.'
          : 'The drawing holds nothing that is filled or stroked.';
    case 'TOO_LARGE':
      return `That is more ${failure.params.what} than fits (${failure.params.size.toLocaleString('en')}, the limit is ${failure.params.limit.toLocaleString('en')}). Nothing was changed.`;
    case 'MESH_BROKEN':
      return `The ${failure.params.format.toUpperCase()} file can’t be read: ${MESH_WHY[failure.params.why]}. Save it again from where it came.`;
    case 'PROJECT_NEWER':
      return 'This was saved by a later version of Fictile. Update this one to open it.';
    case 'PROJECT_BROKEN':
      return `That value does not fit (${failure.params.path}). Nothing was changed.`;
    case 'PIECE_BROKE':
      return 'This piece could not be built, by a fault of ours. Undo the last change; the other pieces are not touched by it.';
    case 'MODEL_UNKNOWN':
      return 'The file of this model can’t be loaded. Is the server running?';
    case 'PIECE_LOCKED':
      return `${failure.params.name || 'This piece'} is locked. Unlock it to change it.`;
    default:
      return 'The solid could not be built. Undo the last change.';
  }
}
