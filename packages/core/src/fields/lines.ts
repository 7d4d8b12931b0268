import { freeCurve, hillCurve } from './curve.ts';
import {
  amount,
  extent,
  flag,
  heading,
  measure,
  piece,
  place,
  places,
  point,
  variants,
  type VariantOf,
} from './make.ts';

type LinePlace = [number, number, number];

const PLACES: LinePlace[] = [
  [-100, 0, 0],
  [100, 0, 0],
];

const turns = (usual: number) => amount(0.1, 100, { usual, step: 0.25 });
const far = { step: 5 };

/** Lines in space that letters run along, about the piece's zero; as large as words usually are. */
export const LINES = {
  /** a ring around the upright axis */
  ring: { radiusMm: measure(100, far) },
  spiral: {
    innerMm: extent(30, far),
    outerMm: measure(120, far),
    turns: turns(2),
  },
  ripple: {
    lengthMm: measure(200, far),
    heightMm: extent(40, far),
    waves: amount(0.25, 200, { usual: 3, step: 0.25 }),
  },
  /** around the upright axis, climbing */
  coil: { radiusMm: measure(80, far), riseMm: place({ ...far, usual: 90 }), turns: turns(1) },
  drawn: { curve: freeCurve(hillCurve(400)) },
  /** the edge or loop of another piece that is nearest to a place; from here on the piece stands where that one does */
  edge: {
    target: piece(),
    /** in that piece's own space */
    atMm: point(),
    reversed: flag(false),
  },
  /** smoothly through places, but for corners */
  places: {
    placesMm: places(2, PLACES),
    closed: flag(false),
    up: heading([0, 1, 0]),
  },
};

export type StepPath = VariantOf<typeof LINES>;
export const line = (usual: keyof typeof LINES, flag?: string) => variants(LINES, usual, { flag });
