import { z } from 'zod';
import { LIMITS } from '../base/index.ts';
import { data, extent, flag, place, type ValuesOf } from '../fields/index.ts';
import { cos, lengthOf, PI, sin, type Vec3 } from '../math/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import { joinRings, piecesOf, type FormRing } from './rings.ts';
import { defineForm } from './definition.ts';
import { lengthOrNone } from './lengthOrNone.ts';

/** A point of a profile that is turned round an axis. */
export const TURNED_KNOT = {
  radiusMm: extent(0),
  heightMm: place(),
  /** passed in the direction of its neighbours, instead of a corner */
  smooth: flag(false),
};
const knotSchema = z.object({
  radiusMm: TURNED_KNOT.radiusMm.schema,
  heightMm: TURNED_KNOT.heightMm.schema,
  smooth: TURNED_KNOT.smooth.schema,
});

const TURNED = {
  knots: data(z.array(knotSchema).min(2).max(LIMITS.turnedKnots), []),
  /** of a vessel, open at the top; 0: full */
  wallMm: lengthOrNone(6),
};

type Turned = ValuesOf<typeof TURNED>;
type TurnedKnot = Turned['knots'][number];
/** Radius and height, mm. */
type Point = readonly [number, number];

/** A profile turned round the upright axis: full, or a vessel with a wall, open at the top. */
function turnedMesh({ knots, wallMm }: Turned, tolerance: number): PolygonMesh {
  const outer = sampled(knots, tolerance);
  const profile = wallMm > 0 ? [...outer, ...inside(outer, wallMm)] : outer;
  const widest = Math.max(...outer.map(([r]) => r), 0.1);
  const pieces = piecesOf(widest, tolerance);
  const rings = closedAtAxis(profile).map(([r, y]) => ringAt(r, y, pieces));
  return joinRings(rings, { closed: false });
}

/** Counter-clockwise seen from below, where the profile comes from. */
function ringAt(radius: number, y: number, pieces: number): FormRing {
  if (radius === 0) return [[0, y, 0]];
  return Array.from({ length: pieces }, (_, i): Vec3 => {
    const angle = (2 * PI * i) / pieces;
    return [radius * sin(angle), y, radius * cos(angle)];
  });
}

/** Both ends on the axis. */
function closedAtAxis(profile: readonly Point[]): Point[] {
  const least = 1e-6 * Math.max(...profile.map(([r]) => r));
  const kept = profile.filter(([r], i) => r > least || i === 0 || i === profile.length - 1);
  const [first, last] = [kept[0], kept[kept.length - 1]];
  return [
    ...(first[0] > least ? [[0, first[1]] as const, first] : [[0, first[1]] as const]),
    ...kept.slice(1, -1),
    ...(last[0] > least ? [last, [0, last[1]] as const] : [[0, last[1]] as const]),
  ];
}

/**
 * Points along the knots: straight to corners, smooth through the others (centripetal would not help: knots are few).
 */
function sampled(knots: readonly TurnedKnot[], tolerance: number): Point[] {
  const points: Point[] = [];
  for (let i = 0; i + 1 < knots.length; i++) {
    const [a, b] = [knots[i], knots[i + 1]];
    const [from, to] = [tangentAt(knots, i), tangentAt(knots, i + 1)];
    const chord = lengthOf(b.radiusMm - a.radiusMm, b.heightMm - a.heightMm);
    const isStraight = !from && !to;
    const count = isStraight ? 1 : Math.min(64, Math.max(4, Math.ceil(Math.sqrt(chord / (8 * tolerance)))));
    const straight: Point = [b.radiusMm - a.radiusMm, b.heightMm - a.heightMm];
    const scaled = (way: Point | undefined): Point => (way ? [way[0] * chord, way[1] * chord] : straight);
    for (let k = 0; k < count; k++) points.push(hermite(a, b, { from: scaled(from), to: scaled(to), t: k / count }));
  }
  const last = knots[knots.length - 1];
  points.push([last.radiusMm, last.heightMm]);
  return points.filter(([r, y], i) => i === 0 || r !== points[i - 1][0] || y !== points[i - 1][1]);
}

/** The way through a smooth knot, of length 1; undefined at corners and ends. */
function tangentAt(knots: readonly TurnedKnot[], i: number): Point | undefined {
  if (!knots[i].smooth || i === 0 || i === knots.length - 1) return undefined;
  const [across, up] = [knots[i + 1].radiusMm - knots[i - 1].radiusMm, knots[i + 1].heightMm - knots[i - 1].heightMm];
  const size = lengthOf(across, up) || 1;
  return [across / size, up / size];
}

function hermite(a: TurnedKnot, b: TurnedKnot, { from, to, t }: { from: Point; to: Point; t: number }): Point {
  const s = 1 - t;
  const [h0, h1] = [(1 + 2 * t) * s * s, t * t * (3 - 2 * t)];
  const [g0, g1] = [t * s * s, t * t * (t - 1)];
  const mix = (p: number, q: number, m: number, n: number): number => h0 * p + h1 * q + g0 * m + g1 * n;
  return [Math.max(0, mix(a.radiusMm, b.radiusMm, from[0], to[0])), mix(a.heightMm, b.heightMm, from[1], to[1])];
}

/** The inner wall from the lip down to the axis: every point of it one wall away from the outer. */
function inside(outer: readonly Point[], wall: number): Point[] {
  const floor = Math.min(...outer.map(([, y]) => y)) + wall;
  const rim = outer[outer.length - 1];
  const moved = outer.map((p, i): Point => {
    const [a, b] = [outer[Math.max(0, i - 1)], outer[Math.min(outer.length - 1, i + 1)]];
    const size = lengthOf(b[0] - a[0], b[1] - a[1]) || 1;
    return [p[0] - (wall * (b[1] - a[1])) / size, p[1] + (wall * (b[0] - a[0])) / size];
  });
  const clear = moved.filter(
    (p) =>
      p[0] > wall * 0.02 &&
      p[1] > floor &&
      p[1] < rim[1] &&
      outer.every((q, i) => i === 0 || away(p, outer[i - 1], q) > wall * 0.98),
  );
  const top: Point = [Math.max(rim[0] - wall, wall * 0.02), rim[1]];
  const lip = Array.from({ length: LIP - 1 }, (_, k): Point => {
    const angle = (PI * (k + 1)) / LIP;
    return [
      (rim[0] + top[0]) / 2 + (cos(angle) * (rim[0] - top[0])) / 2,
      rim[1] + (sin(angle) * (rim[0] - top[0])) / 2,
    ];
  });
  const down = clear.reverse();
  const foot = down.length > 0 ? down[down.length - 1][0] : top[0];
  return [...lip, top, ...down, [foot, floor], [0, floor]];
}

/** Steps of a lip. */
const LIP = 6;

/** From a point to a piece of a line, mm. */
function away([x, y]: Point, [ax, ay]: Point, [bx, by]: Point): number {
  const [dx, dy] = [bx - ax, by - ay];
  const size = dx * dx + dy * dy;
  const share = size > 0 ? Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / size)) : 0;
  return lengthOf(x - ax - share * dx, y - ay - share * dy);
}

type Row = readonly [radius: number, height: number, smooth: boolean];
const knotsOf = (rows: readonly Row[]): TurnedKnot[] =>
  rows.map(([radiusMm, heightMm, smooth]) => ({ radiusMm, heightMm, smooth }));

const JUG: readonly Row[] = [
  [0, 0, false],
  [52, 0, false],
  [58, 6, true],
  [92, 80, true],
  [88, 130, true],
  [52, 186, true],
  [50, 214, true],
  [60, 244, false],
];
const BOWL: readonly Row[] = [
  [0, 0, false],
  [46, 0, false],
  [48, 10, false],
  [84, 40, true],
  [108, 84, true],
  [116, 112, false],
];

export const turned = defineForm({
  kind: 'turned',
  fields: TURNED,
  mesh: turnedMesh,
  starts: { jug: { knots: knotsOf(JUG) }, bowl: { knots: knotsOf(BOWL) } },
});
