import { atan2, cross, dot, minus, PI, sizeOf, type Vec3 } from '../math/index.ts';
import type { SurfaceMap } from './surfaceMap.ts';

/** How much a laid plane differs from the flat one at a place. */
export interface Distortion {
  /** the longest and the shortest of all directions, against 1 */
  longest: number;
  shortest: number;
  /** cosine of the angle between across and up */
  skew: number;
  /** of the area, seen from outside; below zero it is turned over */
  area: number;
}

/** From the derivatives of the map, by differences over a share of a cell (singular values of a 2 x 2 matrix). */
export function distortionAt({ grid, rough }: SurfaceMap, x: number, y: number, baseline: number): Distortion {
  const [hx, hy] = [grid.dx * SHARE, grid.dy * SHARE];
  const slope = (dx: number, dy: number): Vec3 => {
    const way = minus(rough(x + dx, y + dy, baseline).at, rough(x - dx, y - dy, baseline).at);
    const size = 2 * (dx + dy);
    return [way[0] / size, way[1] / size, way[2] / size];
  };
  const [a, b] = [slope(hx, 0), slope(0, hy)];
  const [aa, ab, bb] = [dot(a, a), dot(a, b), dot(b, b)];
  const half = (aa + bb) / 2;
  const off = (aa - bb) / 2;
  const root = Math.sqrt(Math.max(0, off * off + ab * ab));
  const size = sizeOf(a) * sizeOf(b);
  return {
    longest: Math.sqrt(half + root),
    shortest: Math.sqrt(Math.max(0, half - root)),
    skew: size > 0 ? ab / size : 0,
    area: dot(cross(a, b), rough(x, y, baseline).normal),
  };
}

const SHARE = 0.25;

/** How far in degrees an angle is from a right one, by its cosine. */
export const degreesOff = (cosine: number): number =>
  (180 / PI) * atan2(Math.abs(cosine), Math.sqrt(Math.max(0, 1 - cosine * cosine)));
