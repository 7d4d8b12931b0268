import { cross, dot, minus, plus, sizeOf, unit, type Vec3 } from '../math/index.ts';
import { flipEdges } from './flip.ts';
import type { Fan, RingBorder, Strip } from './ringBorder.ts';
import type { TouchedSurface } from './touched.ts';

interface MovedRing {
  border: RingBorder;
  /** the second vertex beside each of the cut line */
  twins: ReadonlyMap<number, number>;
  strips: readonly Strip[];
  widthMm: number;
}

/** So often what could not go all the way tries again, between other triangles. */
const ROUNDS = 8;
/** Shares of the way left that are tried in turn. */
const SHARES = [1, 0.5, 0.2, 0.05];
/** A corner's vertex goes no farther than so many widths. */
const MITRE = 2;
/** Along an old edge a vertex goes no farther than this share: another one may come towards it. */
const EDGE_SHARE = 0.45;
/**
 * Sine of the smallest angle that a triangle may come down to; one that has a smaller one already, to this share of it.
 */
const SMALLEST = 0.02;
const WORSE = 0.5;
/** Of its way: what has moved less does not stay. */
const LEAST = 0.02;

/**
 * Moves the vertices of a ring away from the cut line, as far as nothing turns over; those whose ring vertex stays
 * where it was are given back.
 */
export function moveRing(surface: TouchedSurface, ring: MovedRing): number[] {
  const atVertex = new Map<number, Strip[]>();
  for (const strip of ring.strips)
    for (const v of strip.corners.slice(0, 2)) atVertex.set(v, [...(atVertex.get(v) ?? []), strip]);
  const moves = [...ring.twins].map(([v, twin]) => {
    const strips = atVertex.get(v) as Strip[];
    return {
      v,
      twin,
      strips,
      way: wayOf(surface, v, strips, { fan: ring.border.fans.get(v) as Fan, widthMm: ring.widthMm, twins: ring.twins }),
      done: 0,
    };
  });
  for (let round = 0; round < ROUNDS; round++) {
    const moved = moves.filter((move) => move.done < 1 && moveOn(surface, move));
    if (moved.length === 0) break;
    flipEdges(surface, [...new Set(moved.flatMap(({ twin }) => [...surface.ringOf(twin)]))]);
  }
  const back = moves.filter((move) => move.done < LEAST && goesBack(surface, move));
  return back.map(({ v }) => v);
}

interface Move {
  v: number;
  twin: number;
  /** on either side of it */
  strips: readonly Strip[];
  /** all the way, mm */
  way: Vec3;
  /** share of the way that is behind it */
  done: number;
}

/** From a vertex of the cut line to where its twin should come. */
function wayOf(
  surface: TouchedSurface,
  v: number,
  strips: readonly Strip[],
  { fan, widthMm: wished, twins }: { fan: Fan; widthMm: number; twins: ReadonlyMap<number, number> },
): Vec3 {
  const widthMm = Math.min(wished, longestAt(surface, v, fan));
  const inward = strips.map(({ t, corners: [a, b] }) =>
    unit(cross(surface.normalOf(t), minus(surface.place(b), surface.place(a)))),
  );
  if (fan.along === undefined) {
    const sum = inward.reduce((a, b) => plus(a, b), [0, 0, 0] as Vec3);
    const size = sizeOf(sum);
    // both edges' distances are the width where the way is the width over the cosine of half the turn
    return size > 0 ? plus([0, 0, 0], sum, (widthMm * Math.min(MITRE, 2 / size)) / size) : sum;
  }
  // along an old edge only: its other end may be a twin by now
  const edge = minus(surface.place(fan.along), surface.place(v));
  const away = Math.max(...inward.map((one) => Math.abs(dot(one, unit(edge)))), 1 / MITRE);
  const share = twins.has(fan.along) ? EDGE_SHARE : 2 * EDGE_SHARE;
  return plus([0, 0, 0], unit(edge), Math.min(widthMm / away, share * sizeOf(edge)));
}

/** Farther no vertex gets between its triangles. */
function longestAt(surface: TouchedSurface, v: number, { triangles }: Fan): number {
  const others = triangles.flatMap((t) => surface.cornersOf(t));
  return Math.max(...others.map((w) => sizeOf(minus(surface.place(w), surface.place(v)))));
}

function moveOn(surface: TouchedSurface, move: Move): boolean {
  for (const share of SHARES) {
    const done = move.done + share * (1 - move.done);
    if (!triesAt(surface, move, done)) continue;
    move.done = done;
    return true;
  }
  return false;
}

function goesBack(surface: TouchedSurface, move: Move): boolean {
  return move.done === 0 || triesAt(surface, move, 0);
}

/** Puts a twin somewhere on its way if nothing turns over there. */
function triesAt(surface: TouchedSurface, { v, twin, strips, way }: Move, done: number): boolean {
  const { places } = surface.cut;
  const old = surface.place(twin);
  const ring = surface.ringOf(twin);
  const worst = Math.min(SMALLEST, ...ring.map((t) => WORSE * surface.quality(...surface.cornersOf(t))));
  places.set(plus(surface.place(v), way, done), 3 * twin);
  const isGood = ring.every(
    (t) =>
      surface.facing(surface.normalOf(t), ...surface.cornersOf(t)) > 0 &&
      surface.quality(...surface.cornersOf(t)) >= worst,
  );
  if (isGood && strips.every((strip) => isConvex(surface, strip))) return true;
  places.set(old, 3 * twin);
  return false;
}

/**
 * Whether no corner of a strip is turned over or flat: where the cut runs along an old edge there is no face for one.
 * Ends that have not moved yet are none.
 */
function isConvex(surface: TouchedSurface, { t, corners }: Strip): boolean {
  const normal = surface.normalOf(t);
  return corners.every((v, i) => {
    const [from, to] = [corners[(i + 3) % 4], corners[(i + 1) % 4]].map((w) =>
      minus(surface.place(w), surface.place(v)),
    );
    const sides = sizeOf(from) * sizeOf(to);
    return sides === 0 || surface.facing(normal, corners[(i + 3) % 4], v, corners[(i + 1) % 4]) >= SMALLEST * sides;
  });
}
