import type { CurveForm } from '../outline/index.ts';
import type { Letter } from './letters.ts';

export type Place = Pick<Letter, 'x' | 'y' | 'form' | 'turn'>;

/** The steepest slope that letters are sheared to. */
const STEEPEST = 3;

/** Where a bent line carries the middle of a letter, and which way it runs there: along the reading, of length 1. */
export interface LineSpot {
  middle: readonly [number, number];
  along: readonly [number, number];
  /** of the line there, radians counter-clockwise */
  turn: number;
}

/** A letter of a width on a bent line: turned with it, or standing upright and sheared along it. */
export function placeOn(
  { middle: [x, y], along: [ax, ay], turn }: LineSpot,
  width: number,
  { letters, form }: { letters: 'turned' | 'sheared'; form: CurveForm },
): Place {
  if (letters === 'sheared') {
    const slope = Math.max(-STEEPEST, Math.min(STEEPEST, ay / (ax === 0 ? 1e-9 : ax)));
    return { x: x - width / 2, y: y - (slope * width) / 2, form: product([1, 0, slope, 1], form), turn: 0 };
  }
  return { x: x - (ax * width) / 2, y: y - (ay * width) / 2, form: product([ax, -ay, ay, ax], form), turn };
}

/** First b, then a. */
const product = (a: CurveForm, b: CurveForm): CurveForm => [
  a[0] * b[0] + a[1] * b[2],
  a[0] * b[1] + a[1] * b[3],
  a[2] * b[0] + a[3] * b[2],
  a[2] * b[1] + a[3] * b[3],
];
