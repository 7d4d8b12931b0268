import { canHold, type ErrorParams, type MeshFault, type MeshFormat } from '@fictile/core';
import type { FailureWords } from '../remarkWords.ts';
import { many } from './figures.ts';

/** Of what nobody could have done anything about. */
export const OURS =
  'Something of ours broke; nothing was written. Please report it, with the command and its files ' +
  '(FICTILE_DEBUG=1 tells more).';

const NOT_BUILT = 'The solid could not be built. Undo the last change.';

const FONT_WHY: Readonly<Record<ErrorParams['FONT_BROKEN']['why'], string>> = {
  signature: 'it does not begin like a font',
  tables: 'it lacks the tables every font has',
  cut: 'it ends before its last table does: it was cut short',
  'no-glyphs': 'it has no characters, or no outlines',
  'too-large': 'it is larger than 40 MB',
};

const DRAWING_WHY: Readonly<Record<Exclude<ErrorParams['DRAWING_BROKEN']['why'], 'xml'>, string>> = {
  'not-svg': 'That is no drawing: neither SVG nor PDF. Save it as one of them and bring it in again.',
  size: 'The drawing’s size can’t be told. Save it again with a size.',
  pdf: 'The PDF is damaged and can’t be read. Save it again.',
  locked: 'The PDF is locked with a password. Save it without one.',
};

function brokenText({ why, line }: ErrorParams['DRAWING_BROKEN']): string {
  if (why === 'xml') return `The drawing can’t be read: in line ${line} its tags do not fit together. Save it again.`;
  return DRAWING_WHY[why];
}

function drawingLine({ line, why }: ErrorParams['DRAWING_BROKEN']): string {
  if (why === 'not-svg') return 'That is neither SVG nor PDF. Save the drawing as one of them.';
  if (why === 'pdf') return 'The PDF is damaged and can not be read. Save it again from where it came.';
  if (why === 'locked') return 'The PDF is locked with a password. Save it without one.';
  if (why === 'size') return "The drawing's size can't be told: it has none, or none that is a number. Save it again.";
  return `The SVG can't be read (line ${line}): its tags do not fit together. Save it again from where it came.`;
}

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

function meshLine({ format, place, why }: ErrorParams['MESH_BROKEN']): string {
  const where = canHold(format as MeshFormat, 'lines') ? `line ${place}` : `byte ${place}`;
  return `The ${format.toUpperCase()} can't be read (${where}): ${MESH_WHY[why]}. Save it again from where it came.`;
}

export const FAILURE_WORDS: FailureWords = {
  FONT_BROKEN: {
    page: ({ why, name }) => {
      if (why === 'cut')
        return `The font ${name} was cut short: it ends before its last table does. Get the file again.`;
      return `The font ${name} can’t be read. Choose another.`;
    },
    line: ({ name, why }) => `${name} can't be read as a font: ${FONT_WHY[why]}. Give a TTF or OTF file.`,
  },
  FONT_PACKED: {
    page: ({ name }) => `The font ${name} can’t be read. Choose another.`,
    line: ({ name, format }) => `${name} is packed for the web (${format}). Unpack it to TTF or OTF first.`,
  },
  FONT_UNKNOWN: {
    page: ({ name }) => `The font ${name} can’t be loaded. Is the server running?`,
    line: ({ name }) =>
      `No font called "${name}". Give a shipped family (Work Sans, Zilla Slab, Bodoni Moda, Pacifico, ` +
      'Recursive) or a font file.',
  },
  VALUE_OUT_OF_RANGE: {
    page: ({ field, value, unit, max }) =>
      `The ${field} would be ${value} ${unit}; up to ${max} can be built. Make it smaller.`,
    line: ({ field, value, min, max, unit }) =>
      `${field} is ${value} ${unit}; it can lie between ${min} and ${max}. Choose a value in between.`,
  },
  PROJECT_BROKEN: {
    page: ({ path }) => `That value does not fit (${path}). Nothing was changed.`,
    line: ({ path, why }) =>
      `The project does not fit together at "${path}": ${why}. Save it again from the application.`,
  },
  SECTION_BROKEN: {
    page: NOT_BUILT,
    line: ({ path, why }) => `The section can't be read at "${path}": ${why}. Look at fictile schema section.`,
  },
  PROJECT_NEWER: {
    page: 'This was saved by a later version of Fictile. Update this one to open it.',
    line: ({ version, known }) =>
      `The project was saved by a later version (${version}; this one reads up to ${known}). Update Fictile.`,
  },
  MESH_BROKEN: {
    page: ({ format, why }) =>
      `The ${format.toUpperCase()} file can’t be read: ${MESH_WHY[why]}. Save it again from where it came.`,
    line: meshLine,
  },
  MODEL_UNKNOWN: {
    page: 'The file of this model can’t be loaded. Is the server running?',
    line: "The project's model is not at hand. Save the project again from the application.",
  },
  DRAWING_BROKEN: {
    page: brokenText,
    line: drawingLine,
  },
  DRAWING_EMPTY: {
    page: ({ skipped }) =>
      skipped.includes('text')
        ? 'The drawing holds nothing but text. Turn the text into paths before saving it, or type the words here.'
        : skipped === 'picture'
          ? 'Nothing of the picture is ink. Say another share of light, or smaller specks.'
          : 'The drawing holds nothing that is filled or stroked.',
    line: ({ skipped }) =>
      skipped.includes('text')
        ? 'The drawing holds nothing but text. Turn its text into paths before saving it, or build the words ' +
          'with --text.'
        : 'The drawing holds nothing that is painted. Save it with filled or stroked paths.',
  },
  TOO_LARGE: {
    page: ({ what, size, limit }) =>
      `That is more ${what} than fits (${many(size)}, the limit is ${many(limit)}). Nothing was changed.`,
    line: ({ what, size, limit }) => `The ${what} is too large: ${size}, the limit is ${limit}. Divide it.`,
  },
  EDIT_MISPLACED: {
    page: NOT_BUILT,
    line: ({ what, id }) => `There is no ${what} "${id}" in this project. Look at its pieces.`,
  },
  PIECE_LOCKED: {
    page: ({ name }) => `${name || 'This piece'} is locked. Unlock it to change it.`,
    line: ({ name }) => `The piece "${name}" is locked. Unlock it first.`,
  },
  GOES_IN_CIRCLE: {
    page: ({ name }) => `${name || 'This piece'} would go along with itself. Hang it on something else.`,
    line: ({ name }) => `"${name}" would go along with itself. Hang it on something else.`,
  },
  PIECE_BROKE: {
    page:
      'This piece could not be built, by a fault of ours. Undo the last change; the other pieces are not ' +
      'touched by it.',
    line: OURS,
  },
  CANCELLED: {
    page: NOT_BUILT,
    line: 'The work was stopped. Start it again.',
  },
};
