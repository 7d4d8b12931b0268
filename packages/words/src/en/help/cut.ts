import type { HelpWords } from '../../helpWords.ts';

/** Of cuts. */
export const CUT_HELP = {
  CUT_NOTHING: {
    name: 'Nothing to cut with',
    means: 'The piece that cut this one is gone, or has no solid.',
    helps: 'Choose a piece with a solid, or take the step away.',
  },
  CUT_LEFT_OUT: {
    name: 'A cut left out',
    means: 'A cut is only made where both are closed solids and the result is proved to be one. This one would not be.',
    helps: 'The remark says which of the two is at fault. The button mends it where one press can.',
  },
  CUT_APART: {
    name: 'Cuts nothing',
    means: 'What cuts does not meet the piece, or lies wholly inside of it, where nobody sees it.',
    helps: 'Lay it on the piece, bring it here, or hold it in the middle: the button does what fits.',
  },
  CUT_ROUNDS: {
    name: 'Crossing by a hair',
    means: 'Two faces lie so near to each other that they cross once numbers are rounded as files hold them.',
    helps: 'Move what cuts by as little as the button does.',
  },
  CUT_RAISED_LESS: {
    name: 'Raised less than asked',
    means: 'Leaning or raised so much, walls of neighbouring letters would run into each other.',
    helps: 'Keep it so, or set the letters wider.',
  },
  CUT_RIM_NARROWED: {
    name: 'A narrower rim',
    means: 'A rounding inside the outline has to find room within the strokes.',
    helps: 'Keep it so, or let the rim go outward, where there is room for any.',
  },
  CUT_RIM_CLIPPED: {
    name: 'A rim cut short',
    means: 'A rim that goes outward meets the floor of the recess, its neighbour’s rim, or the border.',
    helps: 'Make it as narrow as the button does, cut deeper, or set the letters wider.',
  },
  CUT_LOOSE: {
    name: 'Loose parts',
    means: 'Cut through, the inside of an O hangs on nothing. It would fall out of the sign.',
    helps: 'Leave loose parts out with the button, or take a stencil font: its letters hold their insides.',
  },
  CUT_RING: {
    name: 'No room for a ring of quads',
    means: 'Beside a cut a ring of quads was asked for, so that it can be bevelled or subdivided. It has to find room.',
    helps: 'Make the ring narrower, or do without it.',
  },
} satisfies Partial<HelpWords>;
