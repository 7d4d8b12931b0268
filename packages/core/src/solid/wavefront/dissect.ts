/** A face of the plan cut into triangles and convex quads, as positions in the face's own loop. */
export type WavePiece = [number, number, number] | [number, number, number, number];

/** Beyond so many corners the dynamic programme gives way to cutting ears. */
const LARGEST_PROGRAMME = 40;
/** Quads with a scaled Jacobian below this are not worth being quads. */
const LEAST_JACOBIAN = 0.02;

/**
 * Cuts a simple polygon with whole-number corners into triangles and convex quads, all of exactly positive area;
 * prefers quads with right angles and little area in triangles. Undefined when there is no such cut (the polygon is
 * folded, or has a zero-area ear everywhere). Interval dynamic programme over the corners (after Klincsek 1980).
 */
export function dissect(x: readonly number[], y: readonly number[]): WavePiece[] | undefined {
  const n = x.length;
  if (n < 3) return undefined;
  if (n === 3) return area2(x, y, 0, 1, 2) > 0 ? [[0, 1, 2]] : undefined;
  if (n === 4) return quadOrTriangles(x, y, [0, 1, 2, 3]);
  return n <= LARGEST_PROGRAMME ? programme(x, y) : cutEars(x, y);
}

/** Twice the signed area of a triangle; exact for whole numbers below 2^25. */
function area2(x: readonly number[], y: readonly number[], a: number, b: number, c: number): number {
  return (x[b] - x[a]) * (y[c] - y[a]) - (y[b] - y[a]) * (x[c] - x[a]);
}

/** Smallest sine of a convex quad's corner angles; 0 when a corner is straight or turns back. */
function jacobian(x: readonly number[], y: readonly number[], a: number, b: number, c: number, d: number): number {
  return Math.min(sine(x, y, a, b, c), sine(x, y, b, c, d), sine(x, y, c, d, a), sine(x, y, d, a, b));
}

/** Of the left turn at b; 0 when it is none. */
function sine(x: readonly number[], y: readonly number[], a: number, b: number, c: number): number {
  const ux = x[b] - x[a];
  const uy = y[b] - y[a];
  const vx = x[c] - x[b];
  const vy = y[c] - y[b];
  const cross = ux * vy - uy * vx;
  return cross > 0 ? cross / Math.sqrt((ux * ux + uy * uy) * (vx * vx + vy * vy)) : 0;
}

function quadOrTriangles(
  x: readonly number[],
  y: readonly number[],
  [a, b, c, d]: [number, number, number, number],
): WavePiece[] | undefined {
  if (jacobian(x, y, a, b, c, d) >= LEAST_JACOBIAN) return [[a, b, c, d]];
  const first = Math.min(area2(x, y, a, b, c), area2(x, y, a, c, d));
  const second = Math.min(area2(x, y, b, c, d), area2(x, y, b, d, a));
  if (first <= 0 && second <= 0) return undefined;
  return first >= second
    ? [
        [a, b, c],
        [a, c, d],
      ]
    : [
        [b, c, d],
        [b, d, a],
      ];
}

function programme(x: readonly number[], y: readonly number[]): WavePiece[] | undefined {
  const n = x.length;
  const cost = new Float64Array(n * n).fill(Infinity);
  const choice: (WavePiece | undefined)[] = new Array(n * n);
  for (let i = 0; i + 1 < n; i++) cost[i * n + i + 1] = 0;
  for (let span = 2; span < n; span++) {
    for (let i = 0; i + span < n; i++) {
      const j = i + span;
      for (let k = i + 1; k < j; k++) {
        const rest = cost[i * n + k] + cost[k * n + j];
        const triangle = area2(x, y, i, k, j);
        if (rest < Infinity && triangle > 0 && rest + triangle < cost[i * n + j]) {
          cost[i * n + j] = rest + triangle;
          choice[i * n + j] = [i, k, j];
        }
        for (let l = k + 1; l < j; l++) {
          const parts = cost[i * n + k] + cost[k * n + l] + cost[l * n + j];
          if (parts >= cost[i * n + j]) continue;
          const quality = jacobian(x, y, i, k, l, j);
          if (quality < LEAST_JACOBIAN) continue;
          const area = area2(x, y, i, k, l) + area2(x, y, i, l, j);
          const total = parts + 1e-3 * area * (1 - quality);
          if (total >= cost[i * n + j]) continue;
          cost[i * n + j] = total;
          choice[i * n + j] = [i, k, l, j];
        }
      }
    }
  }
  if (cost[n - 1] === Infinity) return undefined;
  const pieces: WavePiece[] = [];
  collect(choice, n, 0, n - 1, pieces);
  return pieces;
}

function collect(
  choice: readonly (WavePiece | undefined)[],
  n: number,
  i: number,
  j: number,
  pieces: WavePiece[],
): void {
  const piece = choice[i * n + j];
  if (!piece) return;
  pieces.push(piece);
  for (let k = 0; k + 1 < piece.length; k++) collect(choice, n, piece[k], piece[k + 1], pieces);
}

/**
 * Cuts the ear with the largest smallest sine, so that no needles are left over; only the last four corners may become
 * a quad.
 */
function cutEars(x: readonly number[], y: readonly number[]): WavePiece[] | undefined {
  const left = Array.from({ length: x.length }, (_, i) => i);
  const pieces: WavePiece[] = [];
  while (left.length > 4) {
    let best = -1;
    let bestQuality = 0;
    for (let k = 0; k < left.length; k++) {
      const quality = earQuality(x, y, left, k);
      if (quality > bestQuality) {
        bestQuality = quality;
        best = k;
      }
    }
    if (best < 0) return undefined;
    const n = left.length;
    pieces.push([left[(best + n - 1) % n], left[best], left[(best + 1) % n]]);
    left.splice(best, 1);
  }
  const rest = quadOrTriangles(x, y, left as [number, number, number, number]);
  return rest && [...pieces, ...rest];
}

/** Sine of the ear's smallest angle, 0 when it is no ear (turns back, or another corner lies in it or on its rim). */
function earQuality(x: readonly number[], y: readonly number[], left: readonly number[], k: number): number {
  const n = left.length;
  const a = left[(k + n - 1) % n];
  const b = left[k];
  const c = left[(k + 1) % n];
  const area = area2(x, y, a, b, c);
  if (area <= 0) return 0;
  for (const p of left) {
    if (p === a || p === b || p === c) continue;
    if (area2(x, y, a, b, p) >= 0 && area2(x, y, b, c, p) >= 0 && area2(x, y, c, a, p) >= 0) return 0;
  }
  const side = (p: number, q: number): number => (x[q] - x[p]) * (x[q] - x[p]) + (y[q] - y[p]) * (y[q] - y[p]);
  const ab = side(a, b);
  const bc = side(b, c);
  const ca = side(c, a);
  const longest = Math.max(ab, bc, ca);
  return area / Math.sqrt(longest * (ab + bc + ca - longest));
}
