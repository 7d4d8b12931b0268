import { z } from 'zod';
import {
  choice,
  colour,
  data,
  flag,
  length,
  maybe,
  pair,
  point,
  record,
  share,
  triple,
  turn,
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

/** Where a piece stands: turned about the point it is held by (depth, then across, then upright), then moved. */
export const PLACEMENT = {
  /** the point that is put to `atMm`: where its baseline begins, the middle of its box, or the middle of its foot */
  by: choice(['zero', 'middle', 'foot']),
  /** 'table': its lowest point lies on the table, and `atMm`'s height counts from there */
  stand: choice(['free', 'table']),
  /** across, up, towards the viewer */
  atMm: point([0, 0, 0], { moves: 'rigid' }),
  /** about the axis across, the upright one, and the depth */
  turnDegrees: triple(turn(), turn(), turn(), { moves: 'rigid' }),
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
