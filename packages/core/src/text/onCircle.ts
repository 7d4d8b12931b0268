import { cos, PI, sin } from '../math/index.ts';
import type { CurveForm } from '../outline/index.ts';
import type { CircleLine } from './letters.ts';
import { placeOn, type Place, type LineSpot } from './onBentLine.ts';
import type { ShapedLetter } from './shapeLine.ts';

interface CircleRow {
  letters: readonly ShapedLetter[];
  /** of the baseline below (negative) or above the first one, mm */
  y: number;
  /** of all letters, without the tracking of the last, mm */
  width: number;
}

export interface CircleOptions {
  circle: CircleLine;
  align: 'left' | 'center' | 'right' | 'justify';
  /** height of capitals, mm */
  capMm: number;
  /** what every letter has before it is turned */
  form: CurveForm;
  /** part of every advance, mm */
  trackingMm: number;
}

/** A baseline's radius is never smaller than this share of the capitals. */
const LEAST_RADIUS = 0.1;

/**
 * Places of one line's letters on a circle about zero: the middle of each advance lies on the baseline's circle.
 * Degrees count clockwise from the top. `lacksMm`: by how much the radius is too small for the line.
 */
export function onCircle(row: CircleRow, options: CircleOptions): { places: Place[]; lacksMm: number } {
  const { circle, trackingMm } = options;
  const radius = baselineRadius(row.y, options);
  const isClockwise = circle.direction === 'clockwise';
  const gaps = row.letters.length - 1;
  const spread = (circle.spreadDegrees * PI * radius) / 180;
  const extra = circle.spreadDegrees > 0 && gaps > 0 ? (spread - row.width) / gaps : 0;
  const length = row.width + extra * gaps;
  let along = { left: 0, center: -length / 2, right: -length, justify: -length / 2 }[options.align];
  const places = row.letters.map((letter) => {
    const own = letter.advance - trackingMm;
    const middle = along + own / 2;
    along += letter.advance + extra;
    const angle = (circle.startDegrees * PI) / 180 + ((isClockwise ? 1 : -1) * middle) / radius;
    return placeAt(angle, radius, own, options);
  });
  return { places, lacksMm: Math.max(0, length / (2 * PI) - radius) };
}

/**
 * Outside, feet or heads touch the circle from outside; inside from inside; in the middle, half the capitals lie on
 * either side.
 */
function baselineRadius(y: number, { circle, capMm }: CircleOptions): number {
  const isClockwise = circle.direction === 'clockwise';
  const inward = { outside: 0, center: 0.5, inside: 1 }[circle.side];
  const radius = isClockwise ? circle.radiusMm - inward * capMm + y : circle.radiusMm + (1 - inward) * capMm - y;
  return Math.max(radius, LEAST_RADIUS * capMm);
}

function placeAt(angle: number, radius: number, own: number, { circle, form }: CircleOptions): Place {
  const [s, c] = [sin(angle), cos(angle)];
  const isClockwise = circle.direction === 'clockwise';
  const spot: LineSpot = {
    middle: [radius * s, radius * c],
    along: isClockwise ? [c, -s] : [-c, s],
    turn: isClockwise ? -angle : PI - angle,
  };
  return placeOn(spot, own, { letters: circle.letters, form });
}
