import { atan2, lengthOf } from '../math/index.ts';
import {
  CurveBuilder,
  drawKnots,
  polyline,
  tangentAlong,
  type CurveTable,
  type CurveForm,
  type KnotCurve,
} from '../outline/index.ts';
import type { CurveLine } from './letters.ts';
import { placeOn, type Place, type LineSpot } from './onBentLine.ts';
import type { ShapedLetter } from './shapeLine.ts';

interface CurveRow {
  letters: readonly ShapedLetter[];
  /** of the baseline to the left (above) of the curve, mm */
  y: number;
  /** of all letters, without the tracking of the last, mm */
  width: number;
}

export interface CurveOptions {
  line: CurveLine;
  align: 'left' | 'center' | 'right' | 'justify';
  /** what every letter has before it is turned */
  form: CurveForm;
  /** part of every advance, mm */
  trackingMm: number;
}

/** Of the curve's box: how closely its length is measured. */
const MEASURE_SHARE = 1e-5;

/**
 * Places of one line's letters along a curve: the middle of each advance lies on it, or on its parallel for further
 * lines. Beyond the ends of an open curve letters go straight on; a closed one is walked again. `lacksMm`: by how much
 * the line is longer than the curve.
 */
export function onCurve(
  row: CurveRow,
  { line, align, form, trackingMm }: CurveOptions,
): { places: Place[]; lacksMm: number } {
  const way = new MeasuredCurve(line.curve);
  const gaps = row.letters.length - 1;
  const extra = line.spread && gaps > 0 ? (way.length - row.width) / gaps : 0;
  const length = row.width + extra * gaps;
  const room = way.length - length;
  let along = { left: 0, center: room / 2, right: room, justify: room / 2 }[align] + line.shiftMm;
  const places = row.letters.map((letter) => {
    const own = letter.advance - trackingMm;
    const spot = way.at(along + own / 2);
    along += letter.advance + extra;
    const [ax, ay] = spot.along;
    const middle = [spot.middle[0] - ay * row.y, spot.middle[1] + ax * row.y] as const;
    return placeOn({ ...spot, middle }, own, { letters: line.letters, form });
  });
  return { places, lacksMm: Math.max(0, row.width - way.length) };
}

/** A curve that can be walked by its length. */
class MeasuredCurve {
  readonly #curves: CurveTable;
  readonly #closed: boolean;
  readonly #points: ReturnType<typeof polyline>;
  /** from the beginning to each point, mm */
  readonly #reach: number[] = [0];
  readonly length: number;

  constructor(curve: KnotCurve) {
    const builder = new CurveBuilder({ keepsOpen: true });
    drawKnots(builder, curve);
    this.#curves = builder.finish();
    this.#closed = curve.closed;
    const spans = curve.knots.flatMap(({ atMm: [x, y] }) => [Math.abs(x), Math.abs(y)]);
    const tolerance = MEASURE_SHARE * Math.max(1e-3, ...spans);
    const points = this.#curves.degree.length > 0 ? polyline(this.#curves, 0, { tolerance, closed: curve.closed }) : [];
    this.#points =
      curve.closed && points.length > 0
        ? [...points, { ...points[0], curve: this.#curves.degree.length - 1, t: 1 }]
        : points;
    for (let i = 1; i < this.#points.length; i++) {
      const [a, b] = [this.#points[i - 1], this.#points[i]];
      this.#reach.push(this.#reach[i - 1] + lengthOf(b.x - a.x, b.y - a.y));
    }
    this.length = this.#reach[this.#reach.length - 1];
  }

  at(distance: number): LineSpot {
    if (!(this.length > 0)) return { middle: [distance, 0], along: [1, 0], turn: 0 };
    const rounds = this.#closed ? Math.floor(distance / this.length) : 0;
    const inside = distance - rounds * this.length;
    const clamped = Math.max(0, Math.min(this.length, inside));
    let i = 1;
    while (i + 1 < this.#reach.length && this.#reach[i] < clamped) i++;
    const [a, b] = [this.#points[i - 1], this.#points[i]];
    const share = (clamped - this.#reach[i - 1]) / (this.#reach[i] - this.#reach[i - 1]);
    // where the next point begins another piece, this chord ends at t = 1 of its own
    const end = b.curve === a.curve ? b.t : 1;
    const tangent = tangentAlong(this.#curves, a.curve, a.t + (end - a.t) * share);
    const size = lengthOf(tangent.x, tangent.y);
    const along = [tangent.x / size, tangent.y / size] as const;
    const beyond = inside - clamped;
    return {
      middle: [a.x + (b.x - a.x) * share + along[0] * beyond, a.y + (b.y - a.y) * share + along[1] * beyond],
      along,
      turn: atan2(along[1], along[0]),
    };
  }
}
