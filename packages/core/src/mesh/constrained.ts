import Constrainautor from '@kninnug/constrainautor';
import Delaunator from 'delaunator';
import { orient2d } from '../math/index.ts';

/**
 * Constrained Delaunay triangulation of the inside of closed segment loops (delaunator, then constrainautor; both
 * decide by exact predicates). `from`, `to`: segments by point number, the inside to their left. Returns three point
 * numbers a triangle, counter-clockwise; undefined when segments cross or a triangle has no area. `across`: edges
 * inside that have to be there too.
 */
export function triangulateInside(
  x: ArrayLike<number>,
  y: ArrayLike<number>,
  from: ArrayLike<number>,
  to: ArrayLike<number>,
  across: readonly [number, number][] = [],
): Uint32Array | undefined {
  const coords = new Float64Array(x.length * 2);
  for (let i = 0; i < x.length; i++) {
    coords[2 * i] = x[i];
    coords[2 * i + 1] = y[i];
  }
  const delaunay = new Delaunator(coords);
  if (delaunay.triangles.length === 0) return undefined;
  const edges: [number, number][] = [...across];
  for (let i = 0; i < from.length; i++) edges.push([from[i], to[i]]);
  try {
    new Constrainautor(delaunay, edges);
  } catch {
    return undefined; // it throws where segments cross, which is the answer asked for
  }
  return keepInside(delaunay, x, y, from, to);
}

/** The loop of all points in their order. */
export function triangulateRing(x: ArrayLike<number>, y: ArrayLike<number>): Uint32Array | undefined {
  const from = new Uint32Array(x.length).map((_, i) => i);
  const to = from.map((i) => (i + 1) % x.length);
  return triangulateInside(x, y, from, to);
}

/** Floods from the left side of the segments over everything that no segment bounds. */
function keepInside(
  { triangles, halfedges }: { triangles: ArrayLike<number>; halfedges: ArrayLike<number> },
  x: ArrayLike<number>,
  y: ArrayLike<number>,
  from: ArrayLike<number>,
  to: ArrayLike<number>,
): Uint32Array | undefined {
  const size = x.length;
  const walls = new Set<number>();
  for (let i = 0; i < from.length; i++) walls.add(from[i] * size + to[i]);
  const after = (h: number): number => (h % 3 === 2 ? h - 2 : h + 1);
  const inside = new Uint8Array(triangles.length / 3);
  const stack: number[] = [];
  // delaunator's triangles run clockwise in a frame with y up, so a half-edge b -> a has the inside of a wall a -> b in
  // its triangle
  for (let h = 0; h < triangles.length; h++) {
    const key = triangles[after(h)] * size + triangles[h];
    const triangle = Math.floor(h / 3);
    if (!walls.has(key) || inside[triangle]) continue;
    inside[triangle] = 1;
    stack.push(triangle);
  }
  while (stack.length > 0) {
    const triangle = stack.pop() as number;
    for (let h = triangle * 3; h < triangle * 3 + 3; h++) {
      const a = triangles[after(h)];
      const b = triangles[h];
      if (walls.has(a * size + b)) continue;
      if (walls.has(b * size + a) || halfedges[h] < 0) return undefined; // the flood leaks: the loops bound nothing
      const beyond = Math.floor(halfedges[h] / 3);
      if (inside[beyond]) continue;
      inside[beyond] = 1;
      stack.push(beyond);
    }
  }
  const kept: number[] = [];
  for (let t = 0; t < inside.length; t++) {
    if (!inside[t]) continue;
    const [a, b, c] = [triangles[3 * t], triangles[3 * t + 2], triangles[3 * t + 1]];
    if (orient2d(x[a], y[a], x[b], y[b], x[c], y[c]) <= 0) return undefined;
    kept.push(a, b, c);
  }
  return new Uint32Array(kept);
}
