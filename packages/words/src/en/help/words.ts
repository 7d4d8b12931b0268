import type { HelpWords } from '../../helpWords.ts';

/** Of words, drawings and models before anything is built. */
export const WORDS_HELP = {
  TEXT_EMPTY: {
    name: 'No words yet',
    means: 'A piece of words without a letter has no solid. It stays in the project, with all that is said of it.',
    helps: 'Type into the field of the chapter Words. Font, size, edges and steps are kept while it is empty.',
  },
  GLYPH_MISSING: {
    name: 'A letter no font here has',
    means: 'Neither the font nor any other in the type case has a shape for this character, so a box keeps its place.',
    helps:
      'Bring in a font that has it: drop its file on the page. The type case tells which characters a font covers.',
  },
  FONT_STOOD_IN: {
    name: 'Another font stands in',
    means: 'The font lacks a character, so the nearest font that has it lends its shape. Weight and width may differ.',
    helps: 'Take a font that covers all the words: typed into the type case, they leave only those that do.',
  },
  SMALL_CAPITALS_MISSING: {
    name: 'No small capitals in this font',
    means: 'Small capitals are drawn by whoever made the font, not shrunk capitals. This font brings none.',
    helps: 'Take a font with small capitals, or pick letters and size them by themselves.',
  },
  CIRCLE_OVERFULL: {
    name: 'Longer than their circle',
    means: 'A line round a circle meets its own beginning and overlaps it.',
    helps: 'Use the radius that is told, make the words smaller, or tighten their tracking.',
  },
  CURVE_OVERFULL: {
    name: 'Longer than their curve',
    means: 'Letters beyond the end of a drawn curve go on straight in the direction it ends in.',
    helps: 'Draw the curve longer, make the words smaller, or move the line back along it.',
  },
  WALL_FILLS: {
    name: 'Walls that fill the letter',
    means:
      'Hollow letters have a wall along their outline. Where a stroke is thinner than two walls nothing stays open.',
    helps: 'Make the wall thinner, the letters larger, or take a bolder font.',
  },
  DRAWING_SKIPPED: {
    name: 'Left out of a drawing',
    means: 'A drawing becomes a solid from its painted outlines. Text, pictures, clips and effects are none.',
    helps: 'In the program it was drawn with, turn text into paths and flatten effects, then bring it in again.',
  },
  LETTERS_APART: {
    name: 'A hair between letters',
    means: 'A letter with a depth or an edge of its own is a solid of its own, so it can’t melt into its neighbours.',
    helps: 'That is sound and needs nothing. To have one body again, give the letter back what the others have.',
  },
  LETTERS_CROSS: {
    name: 'Letters run into each other',
    means: 'Letters that stand apart are shells of their own. Where they overlap their faces run through each other.',
    helps: 'Join them, or set them wider: tracking for all, kerning for a pair.',
  },
  OUTLINE_TOO_LARGE: {
    name: 'An outline with too many points',
    means: 'Some ornaments and traced pictures have outlines of many thousand points, more than can be proved sound.',
    helps: 'Simplify the outline where it was made. The other letters are built.',
  },
  TEXT_TOO_LONG: {
    name: 'More characters than are built',
    means: 'The words are kept, but the solid is held back so that the page stays quick.',
    helps: 'Set them in several pieces. Each may have its own words and the same recipe.',
  },
  MODEL_OPEN: {
    name: 'A model that is not closed',
    means: 'Edges with one face, or more than two, leave it without an inside. Words lie on it; it can’t be cut.',
    helps: 'Close its holes or join its points with the button, or remesh it: a step that makes a closed solid of it.',
  },
  MODEL_LEFT_OUT: {
    name: 'Left out of a model',
    means: 'Of several levels of detail the finest comes in. Pictures that browsers don’t show are left out.',
    helps: 'Nothing has to be done. For a picture that is missed, save it as PNG or JPEG in the model’s file.',
  },
} satisfies Partial<HelpWords>;
