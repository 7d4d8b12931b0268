import { atan2, cos, lengthOf, PI, sin } from '../math/index.ts';

/**
 * One bend of a flat layer: between two places along it the direction turns evenly by an angle; beyond them it runs on
 * straight.
 */
export interface Bend {
  /** mm along the layer, `from` before `to` */
  from: number;
  to: number;
  /** whole turn, radians, towards the side of positive heights */
  angle: number;
}

/** A stretch of constant curvature, entered at a place with a direction. */
interface SpinePiece {
  from: number;
  to: number;
  curvature: number;
  x: number;
  y: number;
  /** direction, radians */
  turn: number;
}

/** Where a point comes to lie, and the direction of the layer there. */
export interface Bent {
  along: number;
  off: number;
  turn: number;
}

/**
 * The layer that keeps its length, under all bends in a row: one curve of pieces with constant curvature, so that bends
 * may overlap and a bend cut in two is the same bend. A point `u` along and `h` off the layer goes to its piece's
 * circle of radius 1 / k - h (towards its middle), a straight piece being the limit without a jump. The layer stays
 * where it is at `fixed`. Lengths in mm, angles in radians.
 */
export class Spine {
  readonly #pieces: readonly SpinePiece[];

  constructor(bends: readonly Bend[], fixed: number) {
    const cuts = [...new Set([fixed, ...bends.flatMap(({ from, to }) => [from, to])])].sort((a, b) => a - b);
    const ends = [-Infinity, ...cuts, Infinity];
    const pieces = ends.slice(0, -1).map((from, i): SpinePiece => {
      const middle = from === -Infinity ? cuts[0] - 1 : ends[i + 1] === Infinity ? from + 1 : (from + ends[i + 1]) / 2;
      const curvature = bends
        .filter((bend) => bend.from < middle && middle < bend.to)
        .reduce((sum, { from: a, to: b, angle }) => sum + angle / (b - a), 0);
      return { from, to: ends[i + 1], curvature, x: 0, y: 0, turn: 0 };
    });
    const start = 1 + cuts.indexOf(fixed);
    pieces[start].x = fixed;
    for (let i = start; i + 1 < pieces.length; i++)
      Object.assign(pieces[i + 1], walked(pieces[i], pieces[i].to - pieces[i].from));
    // pieces before the fixed place are entered at their ends and walked back
    let entry = { x: fixed, y: 0, turn: 0 };
    for (let i = start - 1; i >= 0; i--) {
      const back = pieces[i].from === -Infinity ? 0 : pieces[i].from - pieces[i].to;
      entry = walked({ ...pieces[i], ...entry }, back);
      Object.assign(pieces[i], entry);
      if (pieces[i].from === -Infinity) pieces[i].from = pieces[i].to;
    }
    this.#pieces = pieces;
  }

  /** Where a point of the flat layer goes. */
  at(u: number, h: number): Bent {
    const piece = this.#pieceOf(u);
    const { x, y, turn } = walked(piece, u - piece.from);
    return { along: x - h * sin(turn), off: y + h * cos(turn), turn };
  }

  /** Curvature of the layer at a place: where a height reaches 1 over it, the inside of the bend folds. */
  curvatureAt(u: number): number {
    return this.#pieceOf(u).curvature;
  }

  /** The curvature of a stretch of the layer; undefined where it is not the same all along. */
  curvatureOf(from: number, to: number): number | undefined {
    const curvatures = this.#pieces.filter((piece, i) => {
      const start = i === 0 ? -Infinity : piece.from;
      return start < to && piece.to > from;
    });
    const [first, ...others] = curvatures.map(({ curvature }) => curvature);
    return others.every((one) => one === first) ? first : undefined;
  }

  /** Which point of the flat layer goes there: of several the one nearest to the layer. */
  from(along: number, off: number): { u: number; h: number } {
    let best = { u: 0, h: Infinity };
    this.#pieces.forEach((piece, i) => {
      const found = onPiece(piece, along, off);
      const slack = 1e-9 * (1 + Math.abs(found.u));
      const low = i === 0 ? -Infinity : piece.from - slack;
      const high = i === this.#pieces.length - 1 ? Infinity : piece.to + slack;
      if (found.u >= low && found.u <= high && Math.abs(found.h) < Math.abs(best.h)) best = found;
    });
    return best;
  }

  #pieceOf(u: number): SpinePiece {
    const pieces = this.#pieces;
    let [low, high] = [0, pieces.length - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (pieces[middle].from <= u) low = middle;
      else high = middle - 1;
    }
    return pieces[low];
  }
}

/**
 * The end of a way of some length along a piece. The chord of an arc is its length times sin(a) / a of half its angle:
 * no jump at a straight one.
 */
function walked({ x, y, turn, curvature }: SpinePiece, length: number): Pick<SpinePiece, 'x' | 'y' | 'turn'> {
  const half = (curvature * length) / 2;
  const chord = length * sinc(half);
  return { x: x + chord * cos(turn + half), y: y + chord * sin(turn + half), turn: turn + 2 * half };
}

/** sin(x) / x; by its series where that is exact. */
const sinc = (x: number): number => (Math.abs(x) < 1e-4 ? 1 - (x * x) / 6 : sin(x) / x);

function onPiece({ from, x, y, turn, curvature }: SpinePiece, along: number, off: number): { u: number; h: number } {
  const [dx, dy] = [along - x, off - y];
  const forward = dx * cos(turn) + dy * sin(turn);
  const aside = dy * cos(turn) - dx * sin(turn);
  if (curvature === 0) return { u: from + forward, h: aside };
  const sign = Math.sign(curvature);
  const radius = 1 / Math.abs(curvature);
  // seen from the middle of the circle, from where the piece is entered
  const angle = atan2(forward, radius - sign * aside);
  const turned = angle < -PI / 2 ? angle + 2 * PI : angle;
  return { u: from + turned * radius, h: sign * (radius - lengthOf(forward, radius - sign * aside)) };
}
