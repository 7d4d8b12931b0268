import { scaledJacobian, type FlowPatch } from './patch.ts';

/** A point is content where all corners around it are at least this square. */
const CONTENT = 0.8;
/** Below this a point looks around for a better place. */
const SEARCHES = 0.6;
const DIRECTIONS = [
  [1, 0],
  [0.7, 0.7],
  [0, 1],
  [-0.7, 0.7],
  [-1, 0],
  [-0.7, -0.7],
  [0, -1],
  [0.7, -0.7],
];
const HALVINGS = 4;

/**
 * Moves inner points towards the middle of their neighbours, as long as no corner around them gets worse than it was or
 * than `CONTENT`; points with bad corners search in eight directions. Points that hardly move go to sleep till a
 * neighbour does.
 */
export function smooth(patch: FlowPatch, rounds: number): void {
  const rows = { x: Float64Array.from(patch.x), y: Float64Array.from(patch.y), quads: Uint32Array.from(patch.quads) };
  settle(patch, rows, rounds);
  for (let p = patch.fixed; p < rows.x.length; p++) {
    patch.x[p] = rows.x[p];
    patch.y[p] = rows.y[p];
  }
}

/** A patch's numbers, quick to come by. */
interface SmoothRows {
  x: Float64Array;
  y: Float64Array;
  quads: Uint32Array;
}

function settle(patch: FlowPatch, { x, y, quads }: SmoothRows, rounds: number): void {
  const { fixed } = patch;
  const around = quadsAround(patch);
  const near = neighbours(patch);
  const awake = new Uint8Array(x.length).fill(1);
  const floors = near.map((row, k) => shortestSquare(patch, row, fixed + k) / 9);
  const worst = (p: number): number => {
    const row = around[p - fixed];
    let least = 1;
    for (let i = 0; i < row.length; i++) {
      const sine = scaledJacobian(x, y, quads, row[i]);
      if (sine < least) least = sine;
    }
    return least;
  };
  // the first corner that is worse tells: most places that are tried are no better
  const isAtLeast = (p: number, least: number): boolean => {
    const row = around[p - fixed];
    for (let i = 0; i < row.length; i++) if (scaledJacobian(x, y, quads, row[i], least) < least) return false;
    return true;
  };
  const tryPlace = (p: number, tx: number, ty: number, least: number): boolean => {
    const ox = x[p];
    const oy = y[p];
    x[p] = tx;
    y[p] = ty;
    if (isAtLeast(p, least)) return true;
    x[p] = ox;
    y[p] = oy;
    return false;
  };
  for (let round = 0; round < rounds; round++) {
    let moved = false;
    for (let p = fixed; p < x.length; p++) {
      if (!awake[p]) continue;
      awake[p] = 0;
      const row = near[p - fixed];
      if (row.length === 0) continue;
      let [mx, my, shortest] = [0, 0, Infinity];
      for (const n of row) {
        mx += x[n] / row.length;
        my += y[n] / row.length;
        shortest = Math.min(shortest, (x[n] - x[p]) * (x[n] - x[p]) + (y[n] - y[p]) * (y[n] - y[p]));
      }
      const [dx, dy] = [0.8 * (mx - x[p]), 0.8 * (my - y[p])];
      const before = worst(p);
      const hardly = dx * dx + dy * dy < 9e-4 * shortest;
      let changed = !hardly && tryPlace(p, x[p] + dx, y[p] + dy, Math.min(before, CONTENT));
      if (!changed && before < SEARCHES)
        changed = search(p, Math.sqrt(shortest), { x, y, row, floor: floors[p - fixed], before, tryPlace, worst });
      if (!changed) continue;
      moved = true;
      awake[p] = 1;
      for (const n of row) awake[n] = 1;
    }
    if (!moved) return;
  }
}

interface SmoothSearch {
  x: Float64Array;
  y: Float64Array;
  /** neighbours */
  row: readonly number[];
  /** no edge's square gets below this */
  floor: number;
  before: number;
  tryPlace(p: number, tx: number, ty: number, least: number): boolean;
  worst(p: number): number;
}

/**
 * Square corners alone would let edges shrink to nothing: none gets shorter than a third of what the shortest was at
 * first.
 */
function search(p: number, reach: number, { x, y, row, floor, before, tryPlace, worst }: SmoothSearch): boolean {
  let changed = false;
  let best = before;
  for (let k = 0, by = reach / 4; k < HALVINGS; k++, by /= 2) {
    for (let d = 0; d < DIRECTIONS.length; d++) {
      const tx = x[p] + DIRECTIONS[d][0] * by;
      const ty = y[p] + DIRECTIONS[d][1] * by;
      if (isTooNear(tx, ty, { x, y, row, floor }) || !tryPlace(p, tx, ty, best + 1e-6)) continue;
      best = worst(p);
      changed = true;
    }
  }
  return changed;
}

function isTooNear(
  tx: number,
  ty: number,
  { x, y, row, floor }: Pick<SmoothSearch, 'x' | 'y' | 'row' | 'floor'>,
): boolean {
  for (let i = 0; i < row.length; i++) {
    const dx = x[row[i]] - tx;
    const dy = y[row[i]] - ty;
    if (dx * dx + dy * dy < floor) return true;
  }
  return false;
}

function shortestSquare({ x, y }: FlowPatch, row: readonly number[], p: number): number {
  return row.reduce(
    (least, n) => Math.min(least, (x[n] - x[p]) * (x[n] - x[p]) + (y[n] - y[p]) * (y[n] - y[p])),
    Infinity,
  );
}

/** Quads at each inner point. */
function quadsAround({ x, fixed, quads }: FlowPatch): number[][] {
  const rows: number[][] = Array.from({ length: x.length - fixed }, () => []);
  for (let q = 0; q < quads.length; q += 4) {
    for (let k = 0; k < 4; k++) if (quads[q + k] >= fixed) rows[quads[q + k] - fixed].push(q);
  }
  return rows;
}

/** Points joined to each inner point by an edge. */
function neighbours({ x, fixed, quads }: FlowPatch): number[][] {
  const rows: number[][] = Array.from({ length: x.length - fixed }, () => []);
  const add = (p: number, n: number): void => {
    if (p >= fixed && !rows[p - fixed].includes(n)) rows[p - fixed].push(n);
  };
  for (let q = 0; q < quads.length; q += 4) {
    for (let k = 0; k < 4; k++) {
      const [a, b] = [quads[q + k], quads[q + ((k + 1) & 3)]];
      add(a, b);
      add(b, a);
    }
  }
  return rows;
}
