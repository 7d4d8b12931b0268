import { dot, unit, type Vec3 } from '../math/index.ts';
import { areaVector, distanceSquared } from '../mesh/index.ts';

/** Larger faces take too long: this grows with the third power of the corners. */
const MOST_CORNERS = 16;

/**
 * Triangles of a flat face whose smallest angle is as large as may be, by interval dynamic programming (Klincsek 1980).
 * Corners may be straight. `p`: three numbers a corner, in order. Gives three corners a triangle; undefined where the
 * face is too large, or has none that all face its way.
 */
export function evenTriangles(p: Float64Array): number[] | undefined {
  const n = p.length / 3;
  if (n > MOST_CORNERS) return undefined;
  const normal = unit(areaOfRing(p));
  const best = Array.from({ length: n }, () => new Float64Array(n).fill(Infinity));
  const apex = Array.from({ length: n }, () => new Int32Array(n));
  for (let span = 2; span < n; span++)
    for (let i = 0; i + span < n; i++) {
      const j = i + span;
      best[i][j] = -Infinity;
      for (let k = i + 1; k < j; k++) {
        const worst = Math.min(best[i][k], best[k][j], sineOf(p, normal, [i, k, j]));
        if (worst <= best[i][j]) continue;
        best[i][j] = worst;
        apex[i][j] = k;
      }
    }
  return best[0][n - 1] > 0 ? trianglesFrom(apex, 0, n - 1) : undefined;
}

function trianglesFrom(apex: readonly Int32Array[], i: number, j: number): number[] {
  if (j - i < 2) return [];
  const k = apex[i][j];
  return [...trianglesFrom(apex, i, k), ...trianglesFrom(apex, k, j), i, k, j];
}

function areaOfRing(p: Float64Array): Vec3 {
  const sum: Vec3 = [0, 0, 0];
  for (let i = 1; 3 * i + 3 < p.length; i++) areaVector(p, 0, 3 * i, 3 * i + 3).forEach((v, k) => (sum[k] += v));
  return sum;
}

/** Of the smallest angle; below zero where the triangle faces the other way. */
function sineOf(p: Float64Array, normal: Vec3, [a, b, c]: readonly [number, number, number]): number {
  const sides = [distanceSquared(p, 3 * a, 3 * b), distanceSquared(p, 3 * b, 3 * c), distanceSquared(p, 3 * c, 3 * a)];
  const [, middle, long] = sides.sort((x, y) => x - y);
  const product = Math.sqrt(middle * long);
  return product > 0 ? dot(normal, areaVector(p, 3 * a, 3 * b, 3 * c)) / product : 0;
}
