import type { CutFault, RemarkParams } from '@fictile/core';
import { mm } from '../figures.ts';
import type { RemarkWords } from '../../remarkWords.ts';

const FAULTS: Readonly<Record<CutFault, string>> = {
  open: 'This piece is not closed, so it has no inside to cut into. Close its holes first.',
  inward: 'This piece faces inward. Turn its faces round before bringing it in.',
  cutter: 'What cuts is no closed solid as it lies there. Give it depth, or lay it where the surface curves less.',
  kernel: 'The cut failed. Move the words a little, or make the piece simpler.',
  large: 'This piece has too many points to be cut. Reduce it first.',
  fine: 'Points of this piece lie too near to each other. Join them first.',
  crossed:
    'What cuts runs through itself as it lies there. Make it smaller, its rim narrower, or lay it where ' +
    'the surface curves less.',
  result: 'Faces would cross where it is cut. Move the words a little, or take another size.',
  empty: 'Nothing would be left of this piece. Move one of the two.',
  volume:
    'Faces run through each other, in this piece or in what cuts it, so the cut can’t be trusted and is left out.',
};

const FAULTS_LINE: Readonly<Record<CutFault, string>> = {
  open:
    'The model is not closed, or edges have more than two faces: it has no inside that could be cut. ' +
    'Close it, or try --close-holes.',
  inward: 'The model faces inward. Turn its faces round.',
  cutter:
    'The lettering is no closed solid there, so nothing was cut. Give it depth, or lay it where the ' +
    'surface is less tight.',
  kernel: 'Cutting failed. Move the words a little, or make the model simpler.',
  large: 'The model has too many points to be cut. Reduce it first.',
  fine: 'Points lie nearer to each other than can be told apart. Join them first.',
  crossed:
    'As it lies there the lettering runs through itself, so nothing was cut. Make it smaller, its rim ' +
    'narrower, or choose another --method.',
  result: 'Faces would cross where it is cut, so nothing was cut. Move the words a little, or take another size.',
  empty: 'Nothing would be left: where they stand the two share nothing, or one holds the other. Move the words.',
  volume:
    'What came out of the cut has the wrong volume: faces of the model, or of the lettering as it lies ' +
    'there, run through each other. Mend the model, or choose another --method.',
};

function apartText({ letters, isInside }: RemarkParams['CUT_APART']): string {
  if (isInside)
    return letters === ''
      ? 'The other piece lies wholly inside this one, where nobody sees it.'
      : `Wholly inside this piece, where nobody sees them: ${letters}.`;
  return letters === '' ? 'The other piece does not touch this one.' : `These do not touch this one: ${letters}.`;
}

const CLIPPED: Readonly<Record<RemarkParams['CUT_RIM_CLIPPED']['by'], (letters: string) => string>> = {
  floor: () => 'The rim is wider than the recess is deep, so it ends in the floor.',
  neighbours: (letters) => `Rims run into each other between these: ${letters}.`,
  border: () => 'The rim reaches over the border of this piece.',
};

const CLIPPED_LINE = {
  floor: 'The rim is wider than the recess is deep and ends in its floor',
  neighbours: 'Rims run into each other',
  border: 'The rim reaches over the border of the model',
} as const;

/** How far an imprint was raised where more would make faces cross. */
function raisedText({ askedMm, takenMm, leanPercent }: RemarkParams['CUT_RAISED_LESS']): string {
  if (takenMm === 0) return 'Raised, faces would cross here: it lies flat. Move the words a little.';
  return takenMm < askedMm
    ? `Raised by ${mm(askedMm)}, faces would cross: it stands ${mm(takenMm)} high, upright.`
    : `More lean would make faces cross: it leans by ${Number(leanPercent.toPrecision(2))} %.`;
}

/** What is told of cuts. */
export const CUT_REMARKS = {
  CUT_NOTHING: {
    page: 'Choose a piece with a solid that cuts this one.',
    line: 'There is nothing to cut with.',
  },
  CUT_LEFT_OUT: {
    page: ({ why }) => FAULTS[why],
    line: ({ why }) => FAULTS_LINE[why],
  },
  CUT_APART: {
    page: apartText,
    line: ({ isInside, letters }) =>
      `${isInside ? 'These lie wholly inside the model' : 'These do not touch the model'}: ${letters}`,
  },
  CUT_ROUNDS: 'Rounded to 32 bit, some faces cross by a hair where it was cut. Move the words a little.',
  CUT_RAISED_LESS: {
    page: raisedText,
    line: ({ takenMm, leanPercent }) =>
      `More would make faces cross: the imprint stands ${mm(takenMm)} high and leans by ` +
      `${Number(leanPercent.toPrecision(2))} %.`,
  },
  CUT_RIM_NARROWED: {
    page: ({ askedMm, takenMm }) =>
      `Inside the outline there is no room for a rounding of ${mm(askedMm)}: it is ${mm(takenMm)} wide. ` +
      'Outward there is room for any.',
    line: ({ askedMm, takenMm }) =>
      `Inside the outline there is no room for a rounding of ${mm(askedMm)}: it is ${mm(takenMm)} wide. ` +
      '--soften-side outward has room for any.',
  },
  CUT_RIM_CLIPPED: {
    page: ({ by, letters }) => CLIPPED[by](letters),
    line: ({ by, letters, fitsMm }) => `${CLIPPED_LINE[by]}${letters && `: ${letters}`}. A rim of ${mm(fitsMm)} fits`,
  },
  CUT_LOOSE: {
    page: ({ parts, kept }) =>
      `${parts === 1 ? 'A part hangs' : `${parts} parts hang`} on nothing after the ` +
      `cut${kept ? '.' : ' and was left out.'}`,
    line: ({ parts, kept }) =>
      `${parts} parts hang on nothing after the cut${kept ? ': --loose drop leaves them out.' : ', left out.'}`,
  },
  CUT_RING: {
    page: ({ quads, edges }) =>
      `There is room for quads beside ${Math.floor((100 * quads) / Math.max(1, edges))} % of the cut’s ` +
      'edges. A narrower ring may find more.',
    line: ({ quads, edges }) =>
      `There is room for quads beside ${quads} of the cut's ${edges} edges. A narrower ring may find more.`,
  },
} satisfies RemarkWords<
  | 'CUT_NOTHING'
  | 'CUT_LEFT_OUT'
  | 'CUT_APART'
  | 'CUT_ROUNDS'
  | 'CUT_RAISED_LESS'
  | 'CUT_RIM_NARROWED'
  | 'CUT_RIM_CLIPPED'
  | 'CUT_LOOSE'
  | 'CUT_RING'
>;
