import { cross, minus, plus, sizeOf, unit, type Vec3 } from '../math/index.ts';
import { SLIVER_SINE } from '../check/index.ts';
import { flipEdges } from './flip.ts';
import type { CutTriangles } from './readOut.ts';
import type { Sorted } from './sortOut.ts';
import type { CutSource } from './source.ts';
import { TouchedSurface } from './touched.ts';

/** How far from the fan's border the new vertex lies, in widths of its slivers together. */
const SHARES = [1, 0.5, 2, 4, 8, 0.25];
/** So many triangles beside the slivers take part on either side. */
const MOST_BESIDE = 4;

/** Triangles round one vertex in a flat face, each beside the one before. */
interface EasedFan {
  apex: number;
  triangles: number[];
  /** the vertices across from it, in order: one more than triangles */
  border: number[];
}

/**
 * Where slivers of one flat face run from many near points to one far away, a vertex is set near those points: their
 * triangles end in it, and two wide ones go on. Nothing moves, the face stays what it was.
 */
export function easeFans(
  { cut: before, triangles, slivers }: Swept,
  sorted: Sorted,
  sources: ReadonlyMap<number, CutSource>,
): Swept {
  const surface = new TouchedSurface(withRoom(before, slivers + 1), { ...sorted, touched: triangles }, sources);
  const changed: number[] = [];
  const first = before.places.length / 3;
  let vertex = first;
  for (const t of triangles) {
    if (!surface.isSliver(t)) continue;
    const runs = fanOf(surface, t);
    const found = firstFound(PARTS, (parts) => bestOf(surface, partOf(runs, parts)));
    if (!found) continue;
    surface.cut.places.set(found.at, 3 * vertex);
    changed.push(...replace(surface, found.fan, { vertex, free: before.source.length + 2 * (vertex - first) }));
    vertex++;
  }
  flipEdges(surface, changed);
  const cut = trimmed(surface.cut, vertex, before.source.length + 2 * (vertex - first));
  return { cut, triangles: surface.left(), slivers: surface.slivers() };
}

/** Triangles that are left of what was cut, and how many of them are slivers. */
interface Swept {
  cut: CutTriangles;
  triangles: number[];
  slivers: number;
}

function firstFound<T, R>(row: readonly T[], find: (one: T) => R | undefined): R | undefined {
  for (const one of row) {
    const found = find(one);
    if (found !== undefined) return found;
  }
  return undefined;
}

/** For one more vertex and two more triangles a fan. */
function withRoom(cut: CutTriangles, fans: number): CutTriangles {
  const grown = <T extends Float64Array | Uint32Array | Int32Array | Uint8Array>(row: T, by: number): T => {
    const out = new (row.constructor as new (length: number) => T)(row.length + by);
    out.set(row);
    return out;
  };
  return {
    places: grown(cut.places, 3 * fans),
    vertices: grown(cut.vertices, 6 * fans),
    numbers: grown(cut.numbers, 6 * fans).fill(-1, cut.numbers.length),
    source: grown(cut.source, 2 * fans),
    group: grown(cut.group, 2 * fans),
    isTurned: grown(cut.isTurned, 2 * fans),
  };
}

const trimmed = (cut: CutTriangles, vertices: number, triangles: number): CutTriangles => ({
  places: cut.places.slice(0, 3 * vertices),
  vertices: cut.vertices.slice(0, 3 * triangles),
  numbers: cut.numbers.slice(0, 3 * triangles),
  source: cut.source.slice(0, triangles),
  group: cut.group.slice(0, triangles),
  isTurned: cut.isTurned.slice(0, triangles),
});

/**
 * Round the vertex across from a triangle's shortest edge: the slivers to both sides of it, and what lies beside them.
 * `at`: where it is.
 */
function fanOf(surface: TouchedSurface, t: number): Runs {
  const apex = farCorner(surface, t);
  const taken = new Set([t]);
  const one = side(surface, apex, { first: t, way: -1, taken });
  const triangles = [...one.reverse(), t, ...side(surface, apex, { first: t, way: 1, taken })];
  const border = [
    ...triangles.map((u) => cornersFrom(surface, u, apex)[1]),
    cornersFrom(surface, triangles[triangles.length - 1], apex)[2],
  ];
  const slivers = triangles.map((u) => surface.isSliver(u));
  return {
    fan: { apex, triangles, border },
    at: one.length,
    from: slivers.indexOf(true),
    to: slivers.lastIndexOf(true),
  };
}

/** A fan, one of its slivers, and the first and last of them. */
interface Runs {
  fan: EasedFan;
  at: number;
  from: number;
  to: number;
}

/** A row of many slivers round a curve is eased in so many parts. */
const PARTS = [1, 2, 3, 4, 6];

/** The part of the row that holds the sliver, where it is cut into several. */
function partOf({ fan, at, from, to }: Runs, parts: number): Runs {
  const length = Math.ceil((to - from + 1) / parts);
  const first = from + length * Math.floor((at - from) / length);
  return { fan, at, from: first, to: Math.min(to, first + length - 1) };
}

function farCorner(surface: TouchedSurface, t: number): number {
  const corners = surface.cornersOf(t);
  const across = corners.map((_, k) =>
    sizeOf(minus(surface.place(corners[(k + 1) % 3]), surface.place(corners[(k + 2) % 3]))),
  );
  return corners[across.indexOf(Math.min(...across))];
}

/** The corners of a triangle from one of them on. */
function cornersFrom(surface: TouchedSurface, t: number, first: number): [number, number, number] {
  const [a, b, c] = surface.cornersOf(t);
  return first === a ? [a, b, c] : first === b ? [b, c, a] : [c, a, b];
}

/**
 * Triangles beside one round a vertex, to one side, until some have followed that are no slivers; none that is `taken`,
 * as they all are now.
 */
function side(surface: TouchedSurface, apex: number, { first, way, taken }: FanWay): number[] {
  const found: number[] = [];
  let proper = 0;
  for (let t = first; proper < MOST_BESIDE;) {
    const [, b, c] = cornersFrom(surface, t, apex);
    const back = way === 1 ? surface.edge(apex, c) : surface.edge(b, apex);
    const beside = back === undefined ? -1 : Math.floor(back / 3);
    if (beside < 0 || taken.has(beside) || !surface.isOneFace(first, beside)) break;
    taken.add(beside);
    found.push(beside);
    if (!surface.isSliver(beside)) proper++;
    t = beside;
  }
  return found;
}

interface FanWay {
  first: number;
  way: 1 | -1;
  taken: Set<number>;
}

/**
 * The place, and so many triangles beside the slivers, that leave the best triangles; undefined where none leaves no
 * sliver.
 */
function bestOf(surface: TouchedSurface, { fan, from, to }: Runs): { fan: EasedFan; at: Vec3 } | undefined {
  let best: { fan: EasedFan; at: Vec3; quality: number } | undefined;
  const { apex } = fan;
  const places = placesFor(surface, fan, [fan.border[from], fan.border[to + 1]]);
  for (let before = from; before >= Math.max(0, from - MOST_BESIDE); before--)
    for (let after = to; after < Math.min(fan.triangles.length, to + 1 + MOST_BESIDE); after++) {
      const part = {
        apex,
        triangles: fan.triangles.slice(before, after + 1),
        border: fan.border.slice(before, after + 2),
      };
      for (const at of places) {
        const quality = worstWith(surface, part, at);
        if (quality > (best?.quality ?? SLIVER_SINE)) best = { fan: part, at, quality };
      }
    }
  return best;
}

/** From the middle between two vertices of its border towards its apex, and straight into the face. */
function placesFor(surface: TouchedSurface, { apex, triangles }: EasedFan, [a, b]: [number, number]): Vec3[] {
  const [low, high] = [surface.place(a), surface.place(b)];
  const chord = minus(high, low);
  const middle = plus(low, chord, 0.5);
  const way = minus(surface.place(apex), middle);
  const far = sizeOf(way);
  const inward = unit(cross(surface.normalOf(triangles[0]), chord));
  return SHARES.flatMap((share) => {
    const step = Math.min(0.5 * far, share * sizeOf(chord));
    return [plus(middle, way, step / far), plus(middle, inward, step)];
  });
}

/** Of the triangles that a vertex at a place would have; 0 where one is turned over. */
function worstWith(surface: TouchedSurface, { apex, triangles, border }: EasedFan, at: Vec3): number {
  const spare = surface.cut.places.length / 3 - 1;
  const old = surface.place(spare);
  surface.cut.places.set(at, 3 * spare);
  const normal = surface.normalOf(triangles[0]);
  const worst = newCorners(apex, border, spare).reduce(
    (least, corners) => (surface.facing(normal, ...corners) > 0 ? Math.min(least, surface.quality(...corners)) : 0),
    Infinity,
  );
  surface.cut.places.set(old, 3 * spare);
  return worst;
}

function newCorners(apex: number, border: readonly number[], vertex: number): [number, number, number][] {
  const near = border.slice(1).map((v, i): [number, number, number] => [border[i], v, vertex]);
  return [...near, [apex, border[0], vertex], [apex, vertex, border[border.length - 1]]];
}

/** Gives the fan its new vertex; the triangles that it has now, two of them in rows that were free. */
function replace(
  surface: TouchedSurface,
  { apex, triangles, border }: EasedFan,
  { vertex, free }: { vertex: number; free: number },
): number[] {
  const { cut } = surface;
  const numbers = new Map(
    triangles.flatMap((t) => surface.cornersOf(t).map((v, k) => [v, cut.numbers[3 * t + k]] as const)),
  );
  return newCorners(apex, border, vertex).map((corners, i) => {
    const numbered = corners.map((v) => [v, numbers.get(v) ?? -1] as const);
    const t = i < triangles.length ? triangles[i] : free + i - triangles.length;
    if (t < free) surface.set(t, numbered);
    else surface.add(t, triangles[0], numbered);
    return t;
  });
}
