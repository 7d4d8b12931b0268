import { cos, lengthOf, PI, sin } from '../math/index.ts';

type Point = readonly [number, number];

/** How a line is widened (SVG 2, 13.5 to 13.8), in the line's own unit. */
export interface StrokeShape {
  width: number;
  join: 'miter' | 'round' | 'bevel';
  cap: 'butt' | 'round' | 'square';
  miterLimit: number;
  /** farthest that a chord of a round join may lie from its circle */
  tolerance: number;
}

export interface StrokeLine {
  points: readonly Point[];
  closed: boolean;
  /** by point: a corner takes the join, the chords of a curve meet without one */
  corners: readonly boolean[];
}

/**
 * A line's band as pieces that overlap: one a segment, join and cap, all counter-clockwise where y is up, so that their
 * union by non-zero winding is the band. Robust where offset curves are not: nothing is cut off that a later union
 * could miss.
 */
export function strokePieces({ points, closed, corners }: StrokeLine, shape: StrokeShape): Point[][] {
  const rows = distinct(points, corners, closed);
  const half = shape.width / 2;
  if (rows.length === 1) return dot(rows[0].at, half, shape);
  const pieces: Point[][] = [];
  const count = closed ? rows.length : rows.length - 1;
  const ways = Array.from({ length: count }, (_, i) => direction(rows[i].at, rows[(i + 1) % rows.length].at));
  for (let i = 0; i < count; i++) pieces.push(segment(rows[i].at, rows[(i + 1) % rows.length].at, ways[i], half));
  for (let i = 0; i < rows.length; i++) {
    const before = closed ? ways[(i + count - 1) % count] : ways[i - 1];
    const after = ways[i];
    if (before && after)
      pieces.push(...joint(rows[i].at, [before, after], half, { shape: rows[i].corner ? shape : smooth(shape) }));
  }
  if (!closed) {
    pieces.push(...end(rows[0].at, [-ways[0][0], -ways[0][1]], half, shape));
    pieces.push(...end(rows[rows.length - 1].at, ways[count - 1], half, shape));
  }
  return pieces.map(counterClockwise);
}

/** Between the chords of one curve the mitre follows the offset curve; a disc would leave notches. */
const smooth = (shape: StrokeShape): StrokeShape => ({ ...shape, join: 'miter', miterLimit: 4 });

function distinct(
  points: readonly Point[],
  corners: readonly boolean[],
  closed: boolean,
): { at: Point; corner: boolean }[] {
  const rows: { at: Point; corner: boolean }[] = [];
  points.forEach((at, i) => {
    const last = rows[rows.length - 1];
    if (last && last.at[0] === at[0] && last.at[1] === at[1]) last.corner ||= corners[i];
    else rows.push({ at, corner: corners[i] });
  });
  const last = rows[rows.length - 1];
  if (closed && rows.length > 1 && last.at[0] === rows[0].at[0] && last.at[1] === rows[0].at[1]) rows.pop();
  return rows;
}

function direction(a: Point, b: Point): Point {
  const [x, y] = [b[0] - a[0], b[1] - a[1]];
  const length = lengthOf(x, y);
  return [x / length, y / length];
}

function segment(a: Point, b: Point, [x, y]: Point, half: number): Point[] {
  const [nx, ny] = [-y * half, x * half];
  return [
    [a[0] + nx, a[1] + ny],
    [a[0] - nx, a[1] - ny],
    [b[0] - nx, b[1] - ny],
    [b[0] + nx, b[1] + ny],
  ];
}

/** What fills the outer side of a corner. */
function joint(
  at: Point,
  [before, after]: readonly [Point, Point],
  half: number,
  { shape }: { shape: StrokeShape },
): Point[][] {
  const turn = before[0] * after[1] - before[1] * after[0];
  const cosine = before[0] * after[0] + before[1] * after[1];
  if (turn === 0 && cosine > 0) return [];
  if (shape.join === 'round') return [disc(at, half, shape.tolerance)];
  const side = turn > 0 ? -1 : 1;
  const from: Point = [at[0] - side * before[1] * half, at[1] + side * before[0] * half];
  const to: Point = [at[0] - side * after[1] * half, at[1] + side * after[0] * half];
  // 1 / sin(angle / 2) of the angle between the segments, squared, is 2 / (1 + cosine of the turn)
  const isMitred = shape.join === 'miter' && 2 <= shape.miterLimit * shape.miterLimit * (1 + cosine);
  if (!isMitred) return [[at, from, to]];
  const reach = 1 / (1 + cosine);
  const tip: Point = [
    at[0] + (from[0] - at[0] + to[0] - at[0]) * reach,
    at[1] + (from[1] - at[1] + to[1] - at[1]) * reach,
  ];
  return [[at, from, tip, to]];
}

function end(at: Point, [x, y]: Point, half: number, { cap, tolerance }: StrokeShape): Point[][] {
  if (cap === 'butt') return [];
  if (cap === 'round') return [disc(at, half, tolerance)];
  return [segment(at, [at[0] + x * half, at[1] + y * half], [x, y], half)];
}

/** A line of no length shows its caps alone. */
function dot(at: Point, half: number, { cap, tolerance }: StrokeShape): Point[][] {
  if (cap === 'butt') return [];
  if (cap === 'round') return [disc(at, half, tolerance)];
  return [segment([at[0] - half, at[1]], [at[0] + half, at[1]], [1, 0], half)];
}

function disc([x, y]: Point, radius: number, tolerance: number): Point[] {
  // the chord of an angle a lies r (1 - cos(a / 2)) = r a^2 / 8 from its circle
  const count = Math.max(8, Math.min(720, Math.ceil((2 * PI) / Math.sqrt((8 * tolerance) / radius))));
  return Array.from({ length: count }, (_, i): Point => {
    const angle = (2 * PI * i) / count;
    return [x + radius * cos(angle), y + radius * sin(angle)];
  });
}

function counterClockwise(piece: Point[]): Point[] {
  let area = 0;
  piece.forEach(([x, y], i) => {
    const [nx, ny] = piece[(i + 1) % piece.length];
    area += x * ny - nx * y;
  });
  return area < 0 ? piece.toReversed() : piece;
}

/**
 * Cuts a line into its dashes (SVG 2, 13.6); an odd row of lengths is taken twice. A row that adds up to nothing leaves
 * it whole.
 */
export function dashed(line: StrokeLine, dashes: readonly number[], offset: number, mostDashes: number): StrokeLine[] {
  const row = dashes.length % 2 === 1 ? [...dashes, ...dashes] : [...dashes];
  const period = row.reduce((sum, length) => sum + length, 0);
  const points = line.closed ? [...line.points, line.points[0]] : line.points;
  const corners = line.closed ? [...line.corners, line.corners[0]] : line.corners;
  const lengths = points.slice(1).map((p, i) => distance(points[i], p));
  const total = lengths.reduce((sum, length) => sum + length, 0);
  if (!(period > 0) || (total / period) * row.length > mostDashes) return [line];
  const cuts = new DashCutter(row, ((offset % period) + period) % period);
  cuts.start(points[0]);
  lengths.forEach((length, i) => cuts.go([points[i], points[i + 1]], length, corners[i + 1]));
  return cuts.finish();
}

class DashCutter {
  readonly #row: readonly number[];
  #at = 0;
  #left: number;
  #points: Point[] | undefined;
  #corners: boolean[] = [];
  readonly #done: StrokeLine[] = [];

  constructor(row: readonly number[], offset: number) {
    this.#row = row;
    let rest = offset;
    while (rest >= row[this.#at]) {
      rest -= row[this.#at];
      this.#at = (this.#at + 1) % row.length;
    }
    this.#left = row[this.#at] - rest;
  }

  start(point: Point): void {
    if (this.#at % 2 === 0) this.#begin(point);
  }

  go([a, b]: readonly [Point, Point], length: number, corner: boolean): void {
    let gone = 0;
    while (length - gone > this.#left) {
      gone += this.#left;
      const share = gone / length;
      const cut: Point = [a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share];
      this.#points?.push(cut);
      this.#corners.push(false);
      this.#at = (this.#at + 1) % this.#row.length;
      this.#left = this.#row[this.#at];
      if (this.#at % 2 === 0) this.#begin(cut);
      else this.#close();
    }
    this.#left -= length - gone;
    this.#points?.push(b);
    this.#corners.push(corner);
  }

  finish(): StrokeLine[] {
    this.#close();
    return this.#done;
  }

  #begin(point: Point): void {
    this.#points = [point];
    this.#corners = [false];
  }

  #close(): void {
    if (this.#points) this.#done.push({ points: this.#points, corners: this.#corners, closed: false });
    this.#points = undefined;
  }
}

const distance = (a: Point, b: Point): number => lengthOf(b[0] - a[0], b[1] - a[1]);
