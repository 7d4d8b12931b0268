import { atan2, cos, sin } from '../../math/index.ts';
import type { Outline } from '../../outline/index.ts';
import { CORNER_FROM, FAN_FROM, FAN_STEP, ROUND_STEP } from './tolerances.ts';

/**
 * What becomes of corners that the front runs away from: they stay corners (as far as they are not needles), are cut
 * once, or rounded.
 */
export type Corners = 'sharp' | 'cut' | 'round';

/**
 * The outline's edges as lines n.p = c + t moving inward at unit speed. Edge i of the outline keeps its number; the
 * zero-length edges of fans at sharp reflex corners come after them.
 */
export interface MovingEdges {
  count: number;
  nx: Float64Array;
  ny: Float64Array;
  /** direction of walk */
  dx: Float64Array;
  dy: Float64Array;
  c: Float64Array;
  /** outline edge that a fan edge belongs to; for outline edges themselves their own number */
  source: Int32Array;
  /** per outline vertex: the fan edges between its two edges, in order */
  fans: Map<number, number[]>;
}

/** Edges between the two that meet at a corner, for a turn in radians. */
function fanPieces(turn: number, corners: Corners): number {
  const needed = turn > FAN_FROM ? Math.ceil(turn / FAN_STEP) : 1;
  if (corners === 'sharp' || turn <= CORNER_FROM) return needed;
  return Math.max(needed, corners === 'cut' ? 2 : Math.ceil(turn / ROUND_STEP));
}

/**
 * How far the front runs beyond its distance at corners, at most, in distances: two edges that turn by an angle meet
 * its half's secant away.
 */
export function cornerReach(corners: Corners): number {
  const turns = [CORNER_FROM, FAN_FROM];
  return Math.max(...turns.map((turn) => 1 / cos(turn / fanPieces(turn, corners) / 2)), 1 / cos(FAN_STEP / 2));
}

/** `from`: vertex positions to move from (those of the outline, or jittered ones). */
export function movingEdges(
  outline: Outline,
  next: Uint32Array,
  from: { x: Float64Array; y: Float64Array },
  { corners }: { corners: Corners },
): MovingEdges {
  const { x, y } = from;
  const n = outline.x.length;
  const directions: Direction[] = [];
  for (let i = 0; i < n; i++) {
    const ux = x[next[i]] - x[i];
    const uy = y[next[i]] - y[i];
    const length = Math.sqrt(ux * ux + uy * uy);
    directions.push({ dx: ux / length, dy: uy / length, px: x[i], py: y[i], source: i });
  }
  const fans = new Map<number, number[]>();
  for (let i = 0; i < n; i++) {
    const v = next[i];
    const before = directions[i];
    const after = directions[v];
    const cross = before.dx * after.dy - before.dy * after.dx;
    const dot = before.dx * after.dx + before.dy * after.dy;
    if (cross >= 0 && !(cross === 0 && dot < 0)) continue;
    const turn = atan2(-cross, dot);
    const pieces = fanPieces(turn, corners);
    if (pieces === 1) continue;
    const list: number[] = [];
    for (let k = 1; k < pieces; k++) {
      const angle = (-turn * k) / pieces;
      const dx = before.dx * cos(angle) - before.dy * sin(angle);
      const dy = before.dx * sin(angle) + before.dy * cos(angle);
      list.push(directions.length);
      directions.push({ dx, dy, px: x[v], py: y[v], source: v });
    }
    fans.set(v, list);
  }
  return { ...columns(directions), fans };
}

type Direction = { dx: number; dy: number; px: number; py: number; source: number };

function columns(directions: readonly Direction[]): Omit<MovingEdges, 'fans'> {
  const count = directions.length;
  const made = {
    count,
    nx: new Float64Array(count),
    ny: new Float64Array(count),
    dx: new Float64Array(count),
    dy: new Float64Array(count),
    c: new Float64Array(count),
    source: new Int32Array(count),
  };
  for (let i = 0; i < count; i++) {
    const { dx, dy, px, py, source } = directions[i];
    made.nx[i] = -dy;
    made.ny[i] = dx;
    made.dx[i] = dx;
    made.dy[i] = dy;
    made.c[i] = -dy * px + dx * py;
    made.source[i] = source;
  }
  return made;
}
