import type { HelpWords } from '../../helpWords.ts';

/** Of what lies on another piece. */
export const LAID_HELP = {
  ONTO_NOTHING: {
    name: 'Nothing to lie on',
    means: 'The piece it was laid on is gone, or none was chosen.',
    helps: 'Choose a piece, or take the step away.',
  },
  ONTO_CYCLE: {
    name: 'Each lies on the other',
    means: 'Of two pieces each would have to be there before the other.',
    helps: 'Take one of the two steps away.',
  },
  HUNG_LETTER_GONE: {
    name: 'Hung on a letter that is gone',
    means: 'A piece went along with one letter, and that letter was typed over.',
    helps: 'Hang it on another letter, or on the whole word, as the button does.',
  },
  ONTO_MISSES: {
    name: 'Looks past the model',
    means: 'Words are laid where a line from the place they are held at meets the model. This one meets nothing.',
    helps: 'Hold them at the nearest place with the button, or press a place on the model.',
  },
  ONTO_OVERHANGS: {
    name: 'Over an edge of the model',
    means: 'Part of the words has no surface beneath it. It goes on straight, bends round, or is left out, as chosen.',
    helps: 'Make the words smaller, move them in, or choose what is done with what hangs over.',
  },
  ONTO_OVERFULL: {
    name: 'All the way round',
    means: 'The words are longer than the model is round, so the last letter lies on the first.',
    helps: 'Make them smaller, as the button does, or take fewer words.',
  },
  ONTO_SINKS: {
    name: 'Sunk into the surface',
    means: 'A flat back on a surface that curves away from it: its middle or its ends lie below the surface.',
    helps: 'Lay it round, let letters bend with the surface, or lift it by as much as is told.',
  },
  ONTO_FLOATS: {
    name: 'Floating over the surface',
    means: 'A flat back touches a curved surface in one place only. Everywhere else there is air beneath it.',
    helps: 'Lay it round, let letters bend with the surface, or sink it by as much as is told.',
  },
  ONTO_FOLDS: {
    name: 'Squeezed by a tight curve',
    means: 'The surface curves so tightly beneath a letter that what lies on it is squeezed, or folds.',
    helps: 'Make the words smaller, move them where it curves less, or lay them from one direction.',
  },
  ONTO_BORDER: {
    name: 'Over the border',
    means: 'Letters that lie flat reach beyond the face they lie on.',
    helps: 'Move them in or make them smaller: the button does whichever helps.',
  },
} satisfies Partial<HelpWords>;
