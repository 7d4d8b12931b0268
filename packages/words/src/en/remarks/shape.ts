import { strengthUnit, type RemarkParams } from '@fictile/core';
import { many, measured, mm } from '../figures.ts';
import { STEP_WORDS } from '../steps/index.ts';
import { finerLine, finerText } from './finer.ts';
import type { RemarkWords } from '../../remarkWords.ts';

const STEP_NAMES: Readonly<Record<string, string>> = { subdivide: 'Subdividing', triangles: 'Cutting into triangles' };

function crossingText({ letters, limit, finerMm }: RemarkParams['SHAPE_CROSSES']): string {
  const up = limit === undefined ? '' : ` Up to ${mm(Math.abs(limit))} of noise nothing does.`;
  return (
    'Shaped like this, faces run into each ' +
    `other${letters === '' ? '' : `: ${letters}`}.${up}${finerText(finerMm)} Look at Checks for the places.`
  );
}

function crossingLine({ letters, limit, finerMm }: RemarkParams['SHAPE_CROSSES']): string {
  const up = limit === undefined ? '' : `; up to ${mm(Math.abs(limit))} of noise nothing does`;
  return (
    'Shaped so, faces run into each ' +
    `other${letters === '' ? '' : `: ${letters}`}${up || finerLine(finerMm) || (letters === '' ? '.' : '')}`
  );
}

function foldText({ step, xMm, yMm, zMm, limit }: RemarkParams['SHAPE_FOLDS']): string {
  const place = `${mm(xMm)} across, ${mm(yMm)} up, ${mm(zMm)} deep`;
  return (
    `“${nameOf(step)}” folds the letters into themselves, first at ${place} in the flat ` +
    `layout.${limit === undefined ? '' : ` Up to ${measured(limit, strengthUnit(step))} nothing folds.`}`
  );
}

function lostText({ what, letters, xMm, yMm, zMm }: RemarkParams['RECAST_LOSES']): string {
  const whose = letters === '' ? '' : ` of ${letters}`;
  const place = `${mm(xMm)} across, ${mm(yMm)} up, ${mm(zMm)} deep`;
  return what === 'gone'
    ? `Strokes${whose} are thinner than the cells and are gone, first at ${place}.`
    : `Hollows${whose} are narrower than the cells and are filled, first at ${place}.`;
}

function lostLine({ what, letters, xMm, yMm, zMm }: RemarkParams['RECAST_LOSES']): string {
  const whose = letters === '' ? '' : ` of ${letters}`;
  const lost =
    what === 'gone' ? 'Strokes thinner than the cells are gone' : 'Hollows narrower than the cells are filled';
  return `${lost}${whose}: first at ${mm(xMm)} across, ${mm(yMm)} up, ${mm(zMm)} deep.`;
}

const nameOf = (step: string): string => STEP_WORDS[step].name;

/** What is told of steps that shape, cast and reduce. */
export const SHAPE_REMARKS = {
  STEP_LEFT_OUT: {
    page: ({ step, faces, budget }) =>
      `${STEP_NAMES[step] ?? step} would make about ${many(faces)} faces, more than the ${many(budget)} ` +
      'allowed, so it was left out.',
    line: ({ step, faces, budget }) => `${step} would make about ${faces} faces, the budget is ${budget}: left out.`,
  },
  SHAPE_FOLDS: {
    page: foldText,
    line: ({ step, xMm, yMm, zMm, limit }) =>
      `The ${step} turns the inside out at ${[xMm, yMm, zMm].map(mm).join(', ')}` +
      (limit === undefined ? '.' : `: up to ${measured(limit, strengthUnit(step))} nothing folds.`),
  },
  SHAPE_TOUCHES: {
    page: ({ limit }) => `Bent all the way round, the ends touch. Up to ${Math.abs(limit)}° they stay apart.`,
    line: ({ limit }) => `The ends of the bend touch: up to ${limit} degrees they stay apart.`,
  },
  SHAPE_CROSSES: { page: crossingText, line: crossingLine },
  SHAPE_STRAYS: ({ byMm }) => `Faces stay as they are, up to ${mm(byMm)} off the shape.`,
  SHAPE_LOOSER: {
    page: ({ askedMm, faces, takenMm }) =>
      `Within ${mm(askedMm)} the shape would need more than ${many(faces)} faces, so they stay within ` +
      `${mm(takenMm)}.`,
    line: ({ askedMm, faces, takenMm }) =>
      `Within ${mm(askedMm)} the shape would need more than ${faces} faces, so they stay within ${mm(takenMm)}`,
  },
  SHAPE_COARSE: {
    page: ({ budget }) =>
      `Some edges stay longer than the shape needs: finer ones would go over the ${many(budget)} faces allowed.`,
    line: ({ budget }) =>
      `Some edges stay longer than the shape needs: finer ones would go over the budget of ${budget} faces.`,
  },
  LINE_ENDS: {
    page: ({ letters }) => `The line is too short; left out: ${letters}`,
    line: ({ letters }) => `The line ends before these letters, left out: ${letters}`,
  },
  RUN_NOTHING: {
    page: 'Choose a piece with an edge that this one can run along.',
    line: 'There is no edge for the piece to run along.',
  },
  RECAST_TOO_FINE: {
    page: ({ places, limit, leastMm }) =>
      `Remeshing would take a grid of ${(places / 1e6).toFixed(0)} million places, more than the ` +
      `${(limit / 1e6).toFixed(0)} million allowed. Take cells of ${mm(leastMm)} or more.`,
    line: ({ places, limit, leastMm }) =>
      `Remeshing would take a grid of ${places} places, more than ${limit}. Take cells of ${mm(leastMm)} ` + 'or more.',
  },
  RECAST_VANISHES: {
    page: ({ letters }) =>
      `Cells are too coarse for ${letters === '' ? 'this piece' : letters}: nothing would be left. Take ` +
      'smaller ones, or make sheets thick.',
    line: ({ letters }) =>
      `Cells are too coarse for ${letters === '' ? 'the piece' : letters}: nothing would be left, so ` +
      'nothing was changed there.',
  },
  RECAST_LOSES: { page: lostText, line: lostLine },
  REDUCE_SHORT: {
    page: ({ asked, left }) =>
      `Of the ${many(asked)} triangles asked for it keeps ${many(left)}: with fewer, faces would cross or ` +
      'parts would be lost.',
    line: ({ asked, left }) =>
      `Of the ${asked} triangles asked for it keeps ${left}: with fewer, faces would cross or parts would be lost.`,
  },
  PIECES_CROSS: {
    page: ({ other }) => `It runs into “${other}”.`,
    line: ({ name, other, acrossMm, upMm }) =>
      `${name} and ${other} run into each other; moved by ${mm(acrossMm)} across and ${mm(upMm)} up the ` +
      'first has room.',
  },
} satisfies RemarkWords<
  | 'STEP_LEFT_OUT'
  | 'SHAPE_FOLDS'
  | 'SHAPE_TOUCHES'
  | 'SHAPE_CROSSES'
  | 'SHAPE_STRAYS'
  | 'SHAPE_LOOSER'
  | 'SHAPE_COARSE'
  | 'LINE_ENDS'
  | 'RUN_NOTHING'
  | 'RECAST_TOO_FINE'
  | 'RECAST_VANISHES'
  | 'RECAST_LOSES'
  | 'REDUCE_SHORT'
  | 'PIECES_CROSS'
>;
