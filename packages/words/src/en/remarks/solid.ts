import { mm } from '../figures.ts';
import { finerLine, finerText } from './finer.ts';
import type { RemarkWords } from '../../remarkWords.ts';

const CROSSING_INSTEAD = {
  front: 'the front edge was built as a chamfer',
  back: 'the back edge was built as a chamfer',
  side: 'the side was built straight',
} as const;

/** What is told of edges, sides and depth. */
export const SOLID_REMARKS = {
  FLAT_SHEET: {
    page: 'Raised 0 mm: a flat sheet, open at its rim.',
    line: 'Depth 0: a flat sheet, open on purpose.',
  },
  EDGES_SCALED: {
    page: ({ askedMm, takenMm }) =>
      `The edges together are ${mm(askedMm)} deep, the body only ${mm(takenMm)}. Both were scaled to fit.`,
    line: ({ askedMm, takenMm }) =>
      `The edges are ${mm(askedMm)} deep together, the body ${mm(takenMm)}: both were scaled to fit.`,
  },
  SIDE_LEFT_STRAIGHT: ({ roomMm }) => `Between the edges only ${mm(roomMm)} are left, so the side stays straight.`,
  SECTION_CROSSES: {
    page: ({ inMm, downMm, instead }) =>
      `The section crosses itself ${mm(inMm)} in and ${mm(downMm)} down, so ${CROSSING_INSTEAD[instead]}. ` +
      'Draw its section without the crossing.',
    line: ({ inMm, downMm, instead }) =>
      `The section crosses itself ${mm(inMm)} in and ${mm(downMm)} down: ${CROSSING_INSTEAD[instead]}.`,
  },
  LIGHTER_VANISHES: ({ letters }) => `The outline is so much lighter that nothing is left of ${letters}`,
  LIGHTER_BREAKS: ({ letters }) => `The outline is so much lighter that thin strokes are gone or parted: ${letters}`,
  ALONG_CROSSES: {
    page: ({ letters, finerMm }) =>
      'Turned or widened so much towards the back, walls run into each other: ' +
      `${letters}.${finerText(finerMm) || ' Turn less, or set the letters wider.'}`,
    line: ({ letters, finerMm }) =>
      `Changed so much from front to back, walls run into each other: ${letters}${finerLine(finerMm)}`,
  },
  EDGE_TOO_FINE: ({ leastMm }) =>
    `Lettering this large takes edges from ${mm(leastMm)} on; a finer one was left plain.`,
  EDGE_MEETS: ({ letters }) => `The edge is wider than these strokes, so the slopes meet in a ridge: ${letters}`,
  EDGE_JITTERED: ({ byMm, letters }) => `Some points were moved by up to ${mm(byMm)} to build the edge of ${letters}`,
  EDGE_OPENED: ({ byMm, letters }) => `The outline was opened by ${mm(byMm)} to build the edge of ${letters}`,
  EDGE_NARROWED: {
    page: ({ letters, askedMm, takenMm }) =>
      `The edge of ${letters} had to be narrowed from ${mm(askedMm)} to ${mm(takenMm)}.`,
    line: ({ askedMm, takenMm, letters }) =>
      `The edge was narrowed from ${mm(askedMm)} to ${mm(takenMm)} on: ${letters}`,
  },
  LETTER_LEFT_OUT: {
    page: ({ letters }) => `No sound solid could be built for ${letters}; left out.`,
    line: ({ letters }) => `No sound solid could be built, left out: ${letters}`,
  },
} satisfies RemarkWords<
  | 'FLAT_SHEET'
  | 'EDGES_SCALED'
  | 'SIDE_LEFT_STRAIGHT'
  | 'SECTION_CROSSES'
  | 'LIGHTER_VANISHES'
  | 'LIGHTER_BREAKS'
  | 'ALONG_CROSSES'
  | 'EDGE_TOO_FINE'
  | 'EDGE_MEETS'
  | 'EDGE_JITTERED'
  | 'EDGE_OPENED'
  | 'EDGE_NARROWED'
  | 'LETTER_LEFT_OUT'
>;
