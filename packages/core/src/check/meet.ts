import { orient2d, orient3d } from '../math/index.ts';

/**
 * Whether two triangles meet beyond the vertices and edges they share, decided by exact predicates. Triangles are three
 * vertex numbers each; touching counts. Neither may have zero area.
 */
export function trianglesMeet(p: Float64Array, a: readonly number[], b: readonly number[]): boolean {
  const shared = a.filter((v) => b.includes(v));
  if (shared.length >= 3) return true;
  if (shared.length === 2) return foldedOnEdge(p, a, b, shared);
  if (shared.length === 1) return meetAtVertex(p, a, b, shared[0]);
  return anyEdgeMeets(p, a, b) || anyEdgeMeets(p, b, a);
}

/**
 * A quick no for most pairs whose boxes meet: one triangle lies wholly on one side of the other's plane, but for the
 * vertices they share. `t` holds three vertex numbers a triangle, i and j are triangles.
 */
export function areParted(p: Float64Array, t: Uint32Array, i: number, j: number): boolean {
  return liesBeside(p, t, i * 3, j * 3) || liesBeside(p, t, j * 3, i * 3);
}

function liesBeside(p: Float64Array, t: Uint32Array, plane: number, other: number): boolean {
  const a = t[plane];
  const b = t[plane + 1];
  const c = t[plane + 2];
  let side = 0;
  for (let k = 0; k < 3; k++) {
    const v = t[other + k];
    if (v === a || v === b || v === c) continue;
    const s = orient3d(p, a * 3, b * 3, c * 3, v * 3);
    if (s === 0 || s * side < 0) return false;
    side = s > 0 ? 1 : -1;
  }
  return side !== 0;
}

/** Two triangles over one edge overlap only when they lie in one plane on the same side of it. */
function foldedOnEdge(p: Float64Array, a: readonly number[], b: readonly number[], shared: readonly number[]): boolean {
  const [u, v] = shared;
  const c = a.find((w) => w !== u && w !== v) as number;
  const d = b.find((w) => w !== u && w !== v) as number;
  if (orient3d(p, u * 3, v * 3, c * 3, d * 3) !== 0) return false;
  const [i, j] = planeAxes(p, a);
  const side = (w: number): number =>
    orient2d(p[u * 3 + i], p[u * 3 + j], p[v * 3 + i], p[v * 3 + j], p[w * 3 + i], p[w * 3 + j]);
  return side(c) > 0 === side(d) > 0;
}

/** Both leave the shared vertex; they meet again exactly where the side opposite it of one meets the other. */
function meetAtVertex(p: Float64Array, a: readonly number[], b: readonly number[], v: number): boolean {
  const [a1, a2] = a.filter((w) => w !== v);
  const [b1, b2] = b.filter((w) => w !== v);
  return segmentMeets(p, a1, a2, b) || segmentMeets(p, b1, b2, a);
}

function anyEdgeMeets(p: Float64Array, a: readonly number[], b: readonly number[]): boolean {
  return segmentMeets(p, a[0], a[1], b) || segmentMeets(p, a[1], a[2], b) || segmentMeets(p, a[2], a[0], b);
}

function segmentMeets(p: Float64Array, q: number, r: number, t: readonly number[]): boolean {
  const [a, b, c] = [t[0] * 3, t[1] * 3, t[2] * 3];
  const sq = Math.sign(orient3d(p, a, b, c, q * 3));
  const sr = Math.sign(orient3d(p, a, b, c, r * 3));
  if (sq === 0 && sr === 0) return segmentMeetsInPlane(p, q, r, t);
  if (sq * sr > 0) return false;
  const s1 = orient3d(p, q * 3, r * 3, a, b);
  const s2 = orient3d(p, q * 3, r * 3, b, c);
  const s3 = orient3d(p, q * 3, r * 3, c, a);
  return (s1 >= 0 && s2 >= 0 && s3 >= 0) || (s1 <= 0 && s2 <= 0 && s3 <= 0);
}

/** On which side of the line from u to v a vertex lies, seen along two axes. */
type SideOfPlane = (u: number, v: number, w: number) => number;

const sideOf =
  (p: Float64Array, [i, j]: readonly [number, number]): SideOfPlane =>
  (u, v, w) =>
    Math.sign(orient2d(p[u * 3 + i], p[u * 3 + j], p[v * 3 + i], p[v * 3 + j], p[w * 3 + i], p[w * 3 + j]));

/** Whether a vertex lies on a triangle, its border too; exact. On one without an area none does. */
export const liesOnTriangle = (p: Float64Array, w: number, t: readonly number[]): boolean =>
  orient3d(p, t[0] * 3, t[1] * 3, t[2] * 3, w * 3) === 0 && liesWithin(sideOf(p, planeAxes(p, t)), w, t);

/** The same of a vertex in the triangle's plane. */
function liesWithin(side: SideOfPlane, w: number, t: readonly number[]): boolean {
  const turn = side(t[0], t[1], t[2]);
  return turn !== 0 && [0, 1, 2].every((k) => side(t[k], t[(k + 1) % 3], w) * turn >= 0);
}

function segmentMeetsInPlane(p: Float64Array, q: number, r: number, t: readonly number[]): boolean {
  const [i, j] = planeAxes(p, t);
  const side = sideOf(p, [i, j]);
  if (liesWithin(side, q, t) || liesWithin(side, r, t)) return true;
  return [0, 1, 2].some((k) => {
    const u = t[k];
    const v = t[(k + 1) % 3];
    return (
      side(q, r, u) * side(q, r, v) <= 0 && side(u, v, q) * side(u, v, r) <= 0 && boxesMeet(p, [q, r], [u, v], i, j)
    );
  });
}

function boxesMeet(p: Float64Array, a: readonly number[], b: readonly number[], i: number, j: number): boolean {
  return [i, j].every((k) => {
    const [a0, a1] = a.map((v) => p[v * 3 + k]);
    const [b0, b1] = b.map((v) => p[v * 3 + k]);
    return Math.min(a0, a1) <= Math.max(b0, b1) && Math.min(b0, b1) <= Math.max(a0, a1);
  });
}

/** Two axes in which the triangle keeps an area, decided exactly. */
function planeAxes(p: Float64Array, t: readonly number[]): [number, number] {
  const [a, b, c] = [t[0] * 3, t[1] * 3, t[2] * 3];
  const axes: [number, number][] = [
    [0, 1],
    [1, 2],
    [2, 0],
  ];
  return axes.find(([i, j]) => orient2d(p[a + i], p[a + j], p[b + i], p[b + j], p[c + i], p[c + j]) !== 0) ?? [0, 1];
}
