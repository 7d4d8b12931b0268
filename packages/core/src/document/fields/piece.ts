import { z } from 'zod';
import {
  choice,
  colour,
  data,
  flag,
  length,
  maybe,
  pair,
  piece,
  point,
  record,
  share,
  triple,
  turn,
  variants,
} from '../../fields/index.ts';
import { EDGE, SOLID } from './body.ts';
import { FONT } from './words.ts';

const percent = () => share(0, 100, { usual: 0, step: 5 });

/** How a surface looks. Kept by value: a document looks the same wherever it is opened. */
export const FINISH = {
  /** of the shelf it came from; empty for one's own */
  name: data(z.string().max(60), ''),
  /** sRGB, #rrggbb */
  colour: colour('#b45f3c'),
  gloss: percent(),
  metal: percent(),
  glow: percent(),
};

/** One of the 27 places of a box: its corners, the middles of its edges and sides, and its own middle. */
const SPOT = {
  across: choice(['middle', 'left', 'right']),
  up: choice(['middle', 'foot', 'top']),
  deep: choice(['middle', 'back', 'front']),
};

/** The place of a piece that stands where the piece is put, and about which it is turned and sized. */
export const PIVOTS = {
  /** where its baseline begins */
  zero: {},
  /** of the box around it */
  box: SPOT,
  /** of the box around one of its letters as it stands after all steps */
  letter: { letter: data(z.number().int().positive(), 1), ...SPOT },
  /** from its zero, in its own space */
  point: { pointMm: point() },
};

const STANDING = {
  /** of the pivot: across, up, towards the viewer, as what it hangs on or is grouped in lies */
  atMm: point([0, 0, 0], { moves: 'rigid' }),
  /** about the axis across, the upright one, and the depth */
  turnDegrees: triple(turn(), turn(), turn(), { moves: 'rigid' }),
  /** of all it is, in every direction */
  sizePercent: share(1, 10_000, { usual: 100, step: 5, moves: 'rigid' }),
};

/** Where a piece stands: sized and turned about its pivot (depth, then across, then upright), then moved. */
export const PLACEMENT = {
  pivot: variants(PIVOTS, 'zero'),
  /** 'table': its lowest point lies on the table, and `atMm`'s height counts from there */
  stand: choice(['free', 'table']),
  ...STANDING,
};

/** Where a group stands, with all that is in it. */
export const GROUP_PLACEMENT = {
  /** in the group's own space */
  pivotMm: point(),
  ...STANDING,
};

/** What something goes along with. */
export const HUNG = {
  /** id of a piece or a group */
  on: piece(),
  /** id of a letter of that piece; 0: the whole */
  letter: data(z.number().int().nonnegative(), 0),
};

const aside = () => length(-10_000, 10_000, { usual: 0, moves: 'rigid' });

/** What is said of one letter alone; it goes with the letter's grapheme through every edit of the words. */
export const OWN_LETTER = {
  /** across and up, on top of where the line puts it */
  moveMm: pair(aside(), aside()),
  /** about its middle, counter-clockwise */
  turnDegrees: turn({ moves: 'rigid' }),
  /** about the middle of its foot */
  scalePercent: share(1, 1000, { usual: 100, step: 5, moves: 'rigid' }),
  /** its room stays */
  leftOut: flag(false),
  font: maybe(record(FONT)),
  /** on all its sides, instead of the piece's */
  finish: maybe(record(FINISH)),
  /** a letter with a solid of its own stands apart from its neighbours */
  solid: maybe(record({ depthMm: SOLID.depthMm, front: record(EDGE) })),
};
