import { Clipper64, ClipperOffset, ClipType, EndType, FillRule, JoinType, type Paths64 } from 'clipper2-ts';
import { ringByTurns } from './loops.ts';
import { toRings, type Outline, type VertexRing } from './outline.ts';

/**
 * Bands along an outline, in grid steps: how far the first reaches outwards, how wide each is, how many there are and
 * how far apart.
 */
export interface Bands {
  outward: number;
  wide: number;
  count: number;
  gap: number;
  /** convex corners of the bands */
  join: 'miter' | 'round';
}

/** Corners sharper than this stay as mitres; beyond four times the distance they are cut. */
const MITRE_LIMIT = 4;
/** Of the radius: how far a chord of a round corner may lie from its arc. */
const ROUND_SHARE = 0.01;

/** How far bands reach beyond the outline at most, corners and all. */
export const bandsReach = ({ outward, join }: Bands): number =>
  Math.max(0, outward) * (join === 'miter' ? MITRE_LIMIT : 1 + ROUND_SHARE);

/**
 * Hollow letters: the outline's bands as rings of their own, each edge with the letter it is nearest to. `isFull`:
 * nothing was left to take out, the strokes are thinner than the wall.
 */
export function hollow(
  outline: Outline,
  { outward, wide, count, gap, join }: Bands,
): { rings: VertexRing[]; isFull: boolean } {
  const source = toRings(outline);
  const paths: Paths64 = source.map((ring) => ring.map(({ x, y }) => ({ x, y })));
  const bands = new Clipper64();
  let isFull = true;
  for (let i = 0; i < count; i++) {
    const outer = offset(paths, outward - i * (wide + gap), join);
    const inner = offset(paths, outward - i * (wide + gap) - wide, join);
    if (outer.length === 0) break;
    if (inner.length > 0) isFull = false;
    bands.addSubject(difference(outer, inner));
  }
  const united: Paths64 = [];
  bands.execute(ClipType.Union, FillRule.NonZero, united);
  return { rings: united.map((path) => ringByTurns(path, ({ x, y }) => nearestLetter(x, y, source))), isFull };
}

function offset(paths: Paths64, distance: number, join: Bands['join']): Paths64 {
  if (distance === 0) return paths;
  const offsetter = new ClipperOffset(MITRE_LIMIT, ROUND_SHARE * Math.abs(distance));
  offsetter.addPaths(paths, join === 'round' ? JoinType.Round : JoinType.Miter, EndType.Polygon);
  const solution: Paths64 = [];
  offsetter.execute(distance, solution);
  return solution;
}

function difference(outer: Paths64, inner: Paths64): Paths64 {
  const clipper = new Clipper64();
  clipper.addSubject(outer);
  clipper.addClip(inner);
  const solution: Paths64 = [];
  clipper.execute(ClipType.Difference, FillRule.NonZero, solution);
  return solution;
}

function nearestLetter(x: number, y: number, source: readonly VertexRing[]): number {
  let letter = 0;
  let least = Infinity;
  for (const ring of source) {
    for (const v of ring) {
      const distance = (v.x - x) * (v.x - x) + (v.y - y) * (v.y - y);
      if (distance >= least) continue;
      least = distance;
      letter = v.letter;
    }
  }
  return letter;
}
