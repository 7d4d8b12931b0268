import { atan2, cross, dot, minus, PI, plus, sizeOf, type Vec3 } from '../math/index.ts';
import { faceCount, triangleCorners, type PolygonMesh } from '../mesh/index.ts';
import { TriangleTree } from '../surface/index.ts';
import type { RecastOptions } from './recast.ts';

/** Where a mesh that was made anew does not follow the old one. */
export interface Losses {
  /** old surface that the new solid does not reach: strokes thinner than its cells */
  gone: LostPlace[];
  /** old surface that lies deep inside the new solid: hollows and gaps narrower than its cells */
  filled: LostPlace[];
}

export interface LostPlace {
  /** on the old surface, mm */
  at: Vec3;
  /** of the old mesh */
  region: number;
}

/** Of a cell: how far the new surface strays from the old one where it follows it, edges and corners included. */
const STRAYS = 2;
/** Triangles that are looked at, spread evenly over the mesh. */
const MOST_LOOKS = 20_000;

/** Of a cell: how far outside of a triangle it is asked whether something is there. */
const BESIDE = 0.01;
/** Places of each kind that are enough; each that seems filled is held against the whole old mesh. */
const ENOUGH = 24;

/**
 * Middles of old triangles that lie far from the new surface. A sample: what is smaller than its spacing may be missed.
 * Old surface inside other old parts is no hollow: parts that ran into each other were made one.
 */
export function losses(old: PolygonMesh, made: PolygonMesh, { sizeMm, thickMm, meltMm }: RecastOptions): Losses {
  const found: Losses = { gone: [], filled: [] };
  if (faceCount(old) === 0 || faceCount(made) === 0) return found;
  const { places, face } = triangleCorners(old);
  const surface = triangleCorners(made).places;
  const tree = new TriangleTree(surface);
  const far = STRAYS * sizeMm + thickMm / 2 + meltMm;
  const every = Math.max(1, Math.ceil(face.length / MOST_LOOKS));
  let hint = -1;
  let looked = 0;
  for (let t = 0; t < face.length; t += every) {
    const at = middleOf(places, t);
    const near = tree.closest(at, hint);
    if (!near) continue;
    hint = near.triangle;
    if (near.far <= far * far) continue;
    const place = { at, region: old.region[face[t]] };
    if (!isBehind(surface, near.triangle, at)) found.gone.push(place);
    else if (looked++ < ENOUGH && isOutside(places, t, BESIDE * sizeMm)) found.filled.push(place);
  }
  return found;
}

function middleOf(places: Float64Array, t: number): Vec3 {
  const sum = (k: number): number => places[9 * t + k] + places[9 * t + 3 + k] + places[9 * t + 6 + k];
  return [sum(0) / 3, sum(1) / 3, sum(2) / 3];
}

/** Whether a place lies on the inner side of a triangle. */
const isBehind = (places: Float64Array, triangle: number, at: Vec3): boolean =>
  dot(normalOf(places, triangle), minus(at, cornerOf(places, triangle, 0))) < 0;

/** Whether nothing of the mesh is just outside of one of its triangles. */
function isOutside(places: Float64Array, t: number, beside: number): boolean {
  const normal = normalOf(places, t);
  const size = sizeOf(normal);
  return size > 0 && Math.abs(winding(places, plus(middleOf(places, t), normal, beside / size))) < 0.5;
}

/** As long as twice its area. */
function normalOf(places: Float64Array, t: number): Vec3 {
  const [a, b, c] = [0, 1, 2].map((k) => cornerOf(places, t, k));
  return cross(minus(b, a), minus(c, a));
}

const cornerOf = (places: Float64Array, t: number, k: number): Vec3 => {
  const at = 9 * t + 3 * k;
  return [places[at], places[at + 1], places[at + 2]];
};

/**
 * How often a mesh goes round a place: the sum of the solid angles of its triangles (Van Oosterom and Strackee 1983).
 */
function winding(places: Float64Array, [x, y, z]: Vec3): number {
  let sum = 0;
  for (let i = 0; i < places.length; i += 9) {
    const [ax, ay, az] = [places[i] - x, places[i + 1] - y, places[i + 2] - z];
    const [bx, by, bz] = [places[i + 3] - x, places[i + 4] - y, places[i + 5] - z];
    const [cx, cy, cz] = [places[i + 6] - x, places[i + 7] - y, places[i + 8] - z];
    const [a, b, c] = [
      Math.sqrt(ax * ax + ay * ay + az * az),
      Math.sqrt(bx * bx + by * by + bz * bz),
      Math.sqrt(cx * cx + cy * cy + cz * cz),
    ];
    const triple = ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx);
    const [ab, bc, ca] = [ax * bx + ay * by + az * bz, bx * cx + by * cy + bz * cz, cx * ax + cy * ay + cz * az];
    sum += 2 * atan2(triple, a * b * c + ab * c + bc * a + ca * b);
  }
  return sum / (4 * PI);
}
