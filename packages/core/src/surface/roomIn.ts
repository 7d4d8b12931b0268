import { largestThat } from '../math/index.ts';

/** An edge of a border: x and y of both ends. */
export type BorderEdge = readonly [number, number, number, number];

export interface Room {
  x: number;
  y: number;
  /** half a side of the square; below zero outside */
  reach: number;
}

/** Of the reach: a place so much better is not looked for. */
const PRECISION = 2e-3;
const MOST_CELLS = 20_000;
const QUARTERS = [
  [-1, -1],
  [1, -1],
  [-1, 1],
  [1, 1],
] as const;

interface RoomCell extends Room {
  half: number;
  /** no place within it has more */
  most: number;
}

/**
 * The largest upright square inside a border with holes, as edges in any order: a search over a quadtree, as for the
 * pole of inaccessibility (Garcia-Castellanos and Lombardo 2007), with distances by the larger of both differences.
 */
export function roomIn(border: readonly BorderEdge[]): Room | undefined {
  if (border.length === 0) return undefined;
  const [low, high] = [
    [Infinity, Infinity],
    [-Infinity, -Infinity],
  ];
  for (const edge of border) {
    for (let k = 0; k < 4; k++) {
      low[k % 2] = Math.min(low[k % 2], edge[k]);
      high[k % 2] = Math.max(high[k % 2], edge[k]);
    }
  }
  const half = Math.min(high[0] - low[0], high[1] - low[1]) / 2;
  if (!(half > 0)) return undefined;
  const cellAt = (x: number, y: number, size: number): RoomCell => {
    const reach = reachAt(border, x, y);
    return { x, y, half: size, reach, most: reach + size };
  };
  let cells: RoomCell[] = [];
  for (let x = low[0]; x < high[0]; x += 2 * half)
    for (let y = low[1]; y < high[1]; y += 2 * half) cells.push(cellAt(x + half, y + half, half));
  let best: RoomCell = cells[0];
  // level by level: along a strip thousands of places have the same room, among which a best first search takes for
  // ever
  for (let looked = 0; cells.length > 0 && looked < MOST_CELLS; looked += cells.length) {
    for (const cell of cells) if (cell.reach > best.reach) best = cell;
    const enough = best.reach + PRECISION * Math.abs(best.reach);
    cells = cells
      .filter(({ most }) => most > enough)
      .flatMap(({ x, y, half: size }) => {
        const quarter = size / 2;
        return QUARTERS.map(([i, j]) => cellAt(x + i * quarter, y + j * quarter, quarter));
      });
  }
  const room = { x: best.x, y: best.y, reach: best.reach };
  return best.reach > 0 ? middled(border, middled(border, room, [1, 0]), [0, 1]) : room;
}

const HALVINGS = 24;

/** Along a way in which there is more room than it takes, in the middle of that. */
function middled(border: readonly BorderEdge[], room: Room, [dx, dy]: readonly [number, number]): Room {
  const least = room.reach * (1 - PRECISION);
  const slack = (sign: number): number => {
    const holds = (by: number): boolean => reachAt(border, room.x + sign * by * dx, room.y + sign * by * dy) >= least;
    let [fits, fails] = [0, room.reach];
    while (holds(fails)) [fits, fails] = [fails, 2 * fails];
    return largestThat(holds, [fits, fails], HALVINGS);
  };
  const by = (slack(1) - slack(-1)) / 2;
  const [x, y] = [room.x + by * dx, room.y + by * dy];
  const reach = reachAt(border, x, y);
  return reach >= least ? { x, y, reach } : room;
}

/** Distance to the border, below zero outside (crossing number). */
export function reachAt(border: readonly BorderEdge[], x: number, y: number): number {
  let isInside = false;
  let near = Infinity;
  for (const [ax, ay, bx, by] of border) {
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) isInside = !isInside;
    near = Math.min(near, far(ax - x, ay - y, bx - x, by - y));
  }
  return isInside ? near : -near;
}

/**
 * From zero to an edge: the least of max(|x|, |y|) over it. It is convex along the edge, so its least lies at an end,
 * where |x| = |y|, or at a crossing of an axis.
 */
function far(ax: number, ay: number, bx: number, by: number): number {
  const [dx, dy] = [bx - ax, by - ay];
  let least = Math.min(Math.max(Math.abs(ax), Math.abs(ay)), Math.max(Math.abs(bx), Math.abs(by)));
  for (const [up, down] of [
    [ay - ax, dx - dy],
    [ay + ax, -dx - dy],
    [ax, -dx],
    [ay, -dy],
  ]) {
    const t = up / down;
    if (t > 0 && t < 1) least = Math.min(least, Math.max(Math.abs(ax + t * dx), Math.abs(ay + t * dy)));
  }
  return least;
}
