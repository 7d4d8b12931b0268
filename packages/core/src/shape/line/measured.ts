import { atan2, cos, cross, dot, minus, plus, sin, sizeOf, unit, type Vec3 } from '../../math/index.ts';
import { fill, pathSpot, type PathSpot, type SpaceLine } from './spaceLine.ts';

/** A place of a line with its own axes: along it, up, and out of both. */
export interface Frame {
  place: Vec3;
  along: Vec3;
  up: Vec3;
  out: Vec3;
}

export const frame = (): Frame => ({ place: [0, 0, 0], along: [0, 0, 0], up: [0, 0, 0], out: [0, 0, 0] });

/** Places that a piece of a path is measured at. */
const A_PIECE = 48;

/**
 * A path by its length, with frames that turn as little as they can: double reflection, Wang, Jüttler, Zheng and Liu
 * 2008, "Computation of rotation minimizing frames". On a closed path the angle that is left at its end is spread
 * evenly over it. `upright`: up as far up as it goes instead.
 */
export class MeasuredPath {
  readonly length: number;
  readonly closed: boolean;
  readonly #path: SpaceLine;
  readonly #t: Float64Array;
  readonly #reach: Float64Array;
  /** how fast the parameter grows with the length */
  readonly #slope: Float64Array;
  readonly #up: Vec3[];
  readonly #upright: boolean;
  readonly #found: PathSpot = pathSpot();
  #row = 0;

  constructor(path: SpaceLine, upright: boolean) {
    this.#path = path;
    this.closed = path.closed;
    this.#upright = upright;
    const count = (path.perPiece ?? A_PIECE) * path.pieces;
    this.#t = Float64Array.from({ length: count + 1 }, (_, i) => (path.end * i) / count);
    this.#reach = new Float64Array(count + 1);
    for (let i = 0; i < count; i++)
      this.#reach[i + 1] = this.#reach[i] + this.#lengthBetween(this.#t[i], this.#t[i + 1]);
    this.#slope = this.#t.map((t) => 1 / Math.max(sizeOf(path.at(t, this.#found).speed), 1e-12));
    this.length = this.#reach[count];
    this.#up = this.#framed();
  }

  /** At a length from the start; beyond the ends straight on. `into` is filled and given back. */
  at(s: number, into = frame()): Frame {
    const within = this.closed ? s - Math.floor(s / this.length) * this.length : Math.min(this.length, Math.max(0, s));
    const i = this.#rowOf(within);
    const { place, speed } = this.#path.at(this.#parameter(i, within), this.#found);
    const { along, up, out } = into;
    const fast = sizeOf(speed);
    if (fast > 0) fill(along, speed[0] / fast, speed[1] / fast, speed[2] / fast);
    else fill(along, speed[0], speed[1], speed[2]);
    if (this.#upright) fill(up, 0, 1, 0);
    else {
      const share = (within - this.#reach[i]) / (this.#reach[i + 1] - this.#reach[i] || 1);
      const [a, b] = [this.#up[i], this.#up[i + 1]];
      for (let k = 0; k < 3; k++) up[k] = a[k] + share * (b[k] - a[k]);
    }
    squareTo(up, along);
    const on = s - within - (this.closed ? s - within : 0);
    for (let k = 0; k < 3; k++) into.place[k] = place[k] + on * along[k];
    fill(
      out,
      along[1] * up[2] - along[2] * up[1],
      along[2] * up[0] - along[0] * up[2],
      along[0] * up[1] - along[1] * up[0],
    );
    return into;
  }

  /** Gauss and Legendre with three points. */
  #lengthBetween(a: number, b: number): number {
    const [middle, half] = [(a + b) / 2, (b - a) / 2];
    const speed = (t: number): number => sizeOf(this.#path.at(t, this.#found).speed);
    const off = half * 0.7745966692414834;
    return (half * (5 * speed(middle - off) + 8 * speed(middle) + 5 * speed(middle + off))) / 9;
  }

  /** The last one that begins before; who asks for the next point mostly asks for the same row. */
  #rowOf(s: number): number {
    const reach = this.#reach;
    const last = this.#row;
    if (reach[last] <= s && s < reach[last + 1]) return last;
    let low = 0;
    let high = reach.length - 2;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (reach[middle] <= s) low = middle;
      else high = middle - 1;
    }
    this.#row = low;
    return low;
  }

  /** Cubic between two rows of the table, with the slopes that they have. */
  #parameter(i: number, s: number): number {
    const wide = this.#reach[i + 1] - this.#reach[i];
    if (wide === 0) return this.#t[i];
    const u = (s - this.#reach[i]) / wide;
    const rest = 1 - u;
    const bent = wide * u * rest * (this.#slope[i] * rest - this.#slope[i + 1] * u);
    return this.#t[i] * (1 + 2 * u) * rest * rest + this.#t[i + 1] * u * u * (3 - 2 * u) + bent;
  }

  #framed(): Vec3[] {
    const rows = Array.from(this.#t, (t) => this.#path.at(t, pathSpot()));
    const along = rows.map(({ speed }) => unit(speed));
    const up: Vec3[] = [square(this.#path.up, along[0])];
    for (let i = 0; i + 1 < rows.length; i++) {
      const step = minus(rows[i + 1].place, rows[i].place);
      const [carriedUp, carriedAlong] = [mirrored(up[i], step), mirrored(along[i], step)];
      up.push(square(mirrored(carriedUp, minus(along[i + 1], carriedAlong)), along[i + 1]));
    }
    if (!this.closed) return up;
    const last = up.length - 1;
    const left = atan2(dot(cross(up[last], up[0]), along[last]), dot(up[last], up[0]));
    return up.map((one, i) => {
      const angle = (left * this.#reach[i]) / this.length;
      return plus(one.map((v) => v * cos(angle)) as Vec3, cross(along[i], one), sin(angle));
    });
  }
}

/** In the plane across a line, of length 1. */
function squareTo(wanted: Vec3, along: Vec3): void {
  const off = dot(wanted, along);
  for (let k = 0; k < 3; k++) wanted[k] -= off * along[k];
  const size = sizeOf(wanted);
  if (size > 1e-9) for (let k = 0; k < 3; k++) wanted[k] /= size;
  else {
    // looking straight along the wanted way, any other does
    const other: Vec3 = Math.abs(along[2]) < 0.9 ? [0, 0, 1] : [1, 0, 0];
    fill(wanted, ...unit(plus(other, along, -dot(other, along))));
  }
}

const square = (wanted: Vec3, along: Vec3): Vec3 => {
  const up: Vec3 = [...wanted];
  squareTo(up, along);
  return up;
};

/** In the plane across a vector. */
function mirrored(a: Vec3, across: Vec3): Vec3 {
  const size = dot(across, across);
  return size > 0 ? plus(a, across, (-2 * dot(across, a)) / size) : a;
}
