import type { Remark, RemarkParams } from '@fictile/core';
import { cutTexts } from './cutTexts.ts';
import { mm } from './lengths.ts';

export type CutRemark = Extract<Remark, { code: `CUT_${string}` }>;

/** What is told of cuts. */
export function cutRemarkText(remark: CutRemark): string {
  switch (remark.code) {
    case 'CUT_NOTHING':
      return 'Choose a piece with a solid that cuts this one.';
    case 'CUT_LEFT_OUT':
      return cutTexts.cut.faults[remark.params.why];
    case 'CUT_APART':
      return apartText(remark.params);
    case 'CUT_ROUNDS':
      return 'Rounded to 32 bit, some faces cross by a hair where it was cut. Move the words a little.';
    case 'CUT_RIM_NARROWED':
      return `Inside the outline there is no room for a rounding of ${mm(remark.params.askedMm)}: it is ${mm(remark.params.takenMm)} wide. Outward there is room for any.`;
    case 'CUT_RIM_CLIPPED':
      return CLIPPED[remark.params.by](remark.params.letters);
    case 'CUT_RAISED_LESS':
      return raisedText(remark.params);
    case 'CUT_LOOSE':
      return `${remark.params.parts === 1 ? 'A part hangs' : `${remark.params.parts} parts hang`} on nothing after the cut${remark.params.kept ? '.' : ' and was left out.'}`;
    case 'CUT_RING':
      return `There is room for quads beside ${Math.floor((100 * remark.params.quads) / Math.max(1, remark.params.edges))} % of the cut’s edges. A narrower ring may find more.`;
  }
}

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

/** How far an imprint was raised where more would make faces cross. */
function raisedText({ askedMm, takenMm, leanPercent }: RemarkParams['CUT_RAISED_LESS']): string {
  if (takenMm === 0) return 'Raised, faces would cross here: it lies flat. Move the words a little.';
  return takenMm < askedMm
    ? `Raised by ${mm(askedMm)}, faces would cross: it stands ${mm(takenMm)} high, upright.`
    : `More lean would make faces cross: it leans by ${Number(leanPercent.toPrecision(2))} %.`;
}
