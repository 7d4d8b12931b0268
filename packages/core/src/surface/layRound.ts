import { cross, dot, unit, type Vec3 } from '../math/index.ts';
import { axesOf, sightOf, type Hold } from './anchor.ts';
import { gridFor, setNode, type GridFrame, type SurfaceGrid } from './surfaceGrid.ts';
import type { Target } from './target.ts';
import { drawnGuide, edgeGuide, type GuideLine } from './guideLine.ts';
import { turnedOn, walk, type Walker, type WalkOptions } from './walk.ts';

/**
 * The guide line runs straight on, stays level (square to the letters' up, like a ring round a jug), follows the edge
 * or loop of the model that is nearest, or is drawn through places on it.
 */
export type Guide = 'straight' | 'level' | 'edge' | readonly Vec3[];

export interface RoundOptions {
  nodes: number;
  /** height in the plane of the line whose lengths are kept */
  guideY: number;
  guide: Guide;
  rounds: boolean;
}

/**
 * Lays a plane round a model so that lengths are kept: a guide line through the anchor, then lines up and down that
 * leave it at a right angle. Lengths along the guide and up and down are exact; at a distance y across they are off by
 * about K y^2 / 2, whatever the length (Gauss). Undefined where nothing is seen.
 */
export function layRound(target: Target, hold: Hold, frame: GridFrame, options: RoundOptions): SurfaceGrid | undefined {
  const start = startOf(target, hold);
  if (!start) return undefined;
  const grid = gridFor(frame, options.nodes);
  const upward: WalkOptions = { step: grid.dy / 2, rounds: options.rounds };
  const side = (walker: Walker): Walker => ({ ...walker, way: cross(walker.way, walker.normal) });
  const toGuide =
    options.guideY < 0
      ? turnedOn(walk(target, turnedOn(start), -options.guideY, upward))
      : walk(target, start, options.guideY, upward);
  const middle = side(toGuide);
  const guide: WalkOptions = {
    step: grid.dx / 2,
    rounds: options.rounds,
    turn: options.guide === 'level' ? levelTurn(axisOf(start, hold.up)) : undefined,
  };
  const line = lineOf(target, options.guide, side(start), guide);
  const columns = line
    ? Array.from({ length: grid.columns }, (_, i) => line(grid.x + i * grid.dx))
    : spread(grid.columns, (i) => grid.x + i * grid.dx, {
        zero: 0,
        go: (from, length) => walk(target, from, length, guide),
        middle,
      });
  if (options.guide === 'edge') grid.lacksEdge = !line;
  columns.forEach((foot, i) => {
    const lift = { ...foot, way: cross(foot.normal, foot.way) };
    const rows = spread(grid.rows, (j) => grid.y + j * grid.dy, {
      zero: options.guideY,
      go: (from, length) => walk(target, from, length, upward),
      middle: lift,
    });
    rows.forEach((node, j) => setNode(grid, j * grid.columns + i, node));
  });
  return grid;
}

/** Undefined for those that are walked. */
function lineOf(target: Target, guide: Guide, start: Walker, onward: WalkOptions): GuideLine | undefined {
  if (guide === 'edge') return edgeGuide(target, start);
  return typeof guide === 'string' ? undefined : drawnGuide(target, guide, { start, onward });
}

/** Where the line of sight meets the model, looking up along the letters. */
function startOf(target: Target, hold: Hold): Walker | undefined {
  const seen = target.hit(hold.from, sightOf(hold));
  if (!seen) return undefined;
  const normal = target.normalAt(seen);
  const { up } = axesOf(normal, hold.up, hold.turnDegrees);
  return { at: seen.at, triangle: seen.triangle, way: up, normal, isOff: false };
}

/** The letters' up in space, turned with them about the normal. */
function axisOf({ way, normal }: Walker, up: Vec3): Vec3 {
  const off = dot(up, normal);
  const along = Math.sqrt(Math.max(0, dot(up, up) - off * off));
  return unit([0, 1, 2].map((k) => along * way[k] + off * normal[k]) as Vec3);
}

/** Square to an axis and to the surface, the way one goes already. */
const levelTurn =
  (axis: Vec3) =>
  (normal: Vec3, way: Vec3): Vec3 => {
    const level = cross(axis, normal);
    if (dot(level, level) < 1e-6) return way;
    const ahead = unit(level);
    return dot(ahead, way) < 0 ? (ahead.map((v) => 0 - v) as Vec3) : ahead;
  };

/**
 * Nodes at places along a line, each reached from the one before it, both ways from where `middle` stands. All look the
 * way that `middle` does.
 */
function spread(
  count: number,
  placeOf: (i: number) => number,
  { zero, go, middle }: { zero: number; go: (from: Walker, length: number) => Walker; middle: Walker },
): Walker[] {
  const made = new Array<Walker>(count);
  let last = { walker: middle, at: zero };
  for (let i = 0; i < count; i++) {
    if (placeOf(i) < zero) continue;
    last = { walker: go(last.walker, placeOf(i) - last.at), at: placeOf(i) };
    made[i] = last.walker;
  }
  last = { walker: turnedOn(middle), at: zero };
  for (let i = count - 1; i >= 0; i--) {
    if (placeOf(i) >= zero) continue;
    last = { walker: go(last.walker, last.at - placeOf(i)), at: placeOf(i) };
    made[i] = turnedOn(last.walker);
  }
  return made;
}
