/** Curves of a drawing or glyph, kept so that an outline's edges can say where they come from. Any unit of length. */
export interface CurveTable {
  /** 1 line, 2 quadratic, 3 cubic (Bezier) */
  degree: Uint8Array;
  /** eight numbers a curve: control points x0 y0 x1 y1 x2 y2 x3 y3, the unused ones 0 */
  control: Float64Array;
  /** first curve of each contour, and the number of curves at the end */
  contourStart: Uint32Array;
}

/** Takes paths: a contour begins at a move and ends with the next move, a close, or the end. */
export interface Pen {
  moveTo(x: number, y: number): void;
  lineTo(x: number, y: number): void;
  quadraticTo(cx: number, cy: number, x: number, y: number): void;
  cubicTo(ax: number, ay: number, bx: number, by: number, x: number, y: number): void;
  close(): void;
}

/**
 * Collects contours from move, line and curve commands. A contour that was left open is closed with a line, or stays
 * open where `keepsOpen` says so; `closed` then tells them apart.
 */
export class CurveBuilder implements Pen {
  readonly #degree: number[] = [];
  readonly #control: number[] = [];
  readonly #contours: number[] = [0];
  #startX = 0;
  #startY = 0;
  #x = 0;
  #y = 0;
  readonly #keepsOpen: boolean;
  readonly closed: boolean[] = [];

  constructor({ keepsOpen = false } = {}) {
    this.#keepsOpen = keepsOpen;
  }

  moveTo(x: number, y: number): void {
    this.#end(!this.#keepsOpen);
    this.#startX = this.#x = x;
    this.#startY = this.#y = y;
  }

  lineTo(x: number, y: number): void {
    if (x === this.#x && y === this.#y) return;
    this.#push(1, [this.#x, this.#y, x, y, 0, 0, 0, 0], x, y);
  }

  quadraticTo(cx: number, cy: number, x: number, y: number): void {
    this.#push(2, [this.#x, this.#y, cx, cy, x, y, 0, 0], x, y);
  }

  cubicTo(ax: number, ay: number, bx: number, by: number, x: number, y: number): void {
    this.#push(3, [this.#x, this.#y, ax, ay, bx, by, x, y], x, y);
  }

  close(): void {
    this.#end(true);
    [this.#x, this.#y] = [this.#startX, this.#startY];
  }

  #end(closes: boolean): void {
    if (this.#degree.length === this.#contours[this.#contours.length - 1]) return;
    if (closes) this.lineTo(this.#startX, this.#startY);
    this.#contours.push(this.#degree.length);
    this.closed.push(closes);
  }

  finish(): CurveTable {
    this.#end(!this.#keepsOpen);
    return {
      degree: Uint8Array.from(this.#degree),
      control: Float64Array.from(this.#control),
      contourStart: Uint32Array.from(this.#contours),
    };
  }

  #push(degree: number, control: number[], x: number, y: number): void {
    this.#degree.push(degree);
    this.#control.push(...control);
    this.#x = x;
    this.#y = y;
  }
}

/** The point of curve `i` at parameter t in [0, 1], each coordinate by Bernstein's form. */
export function pointAt(curves: CurveTable, i: number, t: number): { x: number; y: number } {
  const c = curves.control;
  const o = i * 8;
  const s = 1 - t;
  const degree = curves.degree[i];
  const coordinate = (k: number): number => {
    if (degree === 1) return s * c[k] + t * c[k + 2];
    if (degree === 2) return s * s * c[k] + 2 * s * t * c[k + 2] + t * t * c[k + 4];
    return s * s * s * c[k] + 3 * s * s * t * c[k + 2] + 3 * s * t * t * c[k + 4] + t * t * t * c[k + 6];
  };
  return { x: coordinate(o), y: coordinate(o + 1) };
}

/**
 * Number of equal parameter steps that keep every chord within `tolerance` of the curve: sqrt(L / 8t) with L the
 * largest second difference of the control polygon times degree * (degree - 1). Symmetric, so that mirrored curves give
 * mirrored points.
 */
export function chordCount(curves: CurveTable, i: number, tolerance: number): number {
  const c = curves.control;
  const o = i * 8;
  const bend = (a: number): number => {
    const x = c[a] - 2 * c[a + 2] + c[a + 4];
    const y = c[a + 1] - 2 * c[a + 3] + c[a + 5];
    return Math.sqrt(x * x + y * y);
  };
  const degree = curves.degree[i];
  if (degree === 1) return 1;
  const largest = degree === 2 ? 2 * bend(o) : 6 * Math.max(bend(o), bend(o + 2));
  return Math.max(1, Math.ceil(Math.sqrt(largest / (8 * tolerance))));
}

/**
 * Direction of the curve at its start (end = 0) or end (end = 1), not normalised; zero only when all control points
 * coincide.
 */
export function tangentAt(curves: CurveTable, i: number, end: 0 | 1): { x: number; y: number } {
  const c = curves.control;
  const o = i * 8;
  const n = curves.degree[i];
  const anchor = end === 0 ? o : o + n * 2;
  for (let step = 1; step <= n; step++) {
    const other = end === 0 ? o + step * 2 : o + (n - step) * 2;
    const x = end === 0 ? c[other] - c[anchor] : c[anchor] - c[other];
    const y = end === 0 ? c[other + 1] - c[anchor + 1] : c[anchor + 1] - c[other + 1];
    if (x !== 0 || y !== 0) return { x, y };
  }
  return { x: 0, y: 0 };
}

/** Direction of travel at parameter t, not normalised; where a curve stands still, that of the end that is nearer. */
export function tangentAlong(curves: CurveTable, i: number, t: number): { x: number; y: number } {
  const c = curves.control;
  const degree = curves.degree[i];
  const difference = (k: number, axis: number): number => c[i * 8 + 2 * k + 2 + axis] - c[i * 8 + 2 * k + axis];
  const s = 1 - t;
  const along = (axis: number): number => {
    if (degree === 1) return difference(0, axis);
    if (degree === 2) return s * difference(0, axis) + t * difference(1, axis);
    return s * s * difference(0, axis) + 2 * s * t * difference(1, axis) + t * t * difference(2, axis);
  };
  const found = { x: along(0), y: along(1) };
  return found.x === 0 && found.y === 0 ? tangentAt(curves, i, t < 0.5 ? 0 : 1) : found;
}
