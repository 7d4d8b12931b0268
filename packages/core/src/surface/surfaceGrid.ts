import { sizeOf, type Box3, type Vec3 } from '../math/index.ts';

/**
 * Numbers a node holds: place (3), normal (3), how much longer the way along the normal is than the depth (1), 1 where
 * it lies beside the model (1).
 */
export const NODE = 8;

/** A piece of the flat plane laid onto a surface, node by node, row after row from the lowest. Lengths in mm. */
export interface SurfaceGrid {
  /** it was to follow an edge, and there is none */
  lacksEdge?: boolean;
  columns: number;
  rows: number;
  x: number;
  y: number;
  dx: number;
  dy: number;
  nodes: Float64Array;
  /**
   * of several lines of text: where each stands, and how far its own way is at every column; empty: lengths are those
   * of the guide
   */
  lines: { baseline: number; along: Float64Array }[];
}

/** The corner of the plane that is laid, and how finely. */
export interface GridFrame {
  low: readonly [number, number];
  high: readonly [number, number];
}

/** Of a flat piece, by the box around it. */
export const frameOf = ({ low, high }: Box3): GridFrame => ({ low: [low[0], low[1]], high: [high[0], high[1]] });

/**
 * About as many nodes, as square as the frame allows; a node more on every side, so that nothing is looked up at the
 * border.
 */
export function gridFor({ low, high }: GridFrame, nodes: number): SurfaceGrid {
  const [wide, tall] = [high[0] - low[0], high[1] - low[1]].map((v) => Math.max(v, 1e-6));
  const cell = Math.sqrt((wide * tall) / nodes);
  const [across, up] = [wide, tall].map((v) => Math.min(MOST_CELLS, Math.max(LEAST_CELLS, Math.ceil(v / cell))));
  const [dx, dy] = [wide / across, tall / up];
  const [columns, rows] = [across + 3, up + 3];
  const nodesOf = new Float64Array(columns * rows * NODE);
  return { columns, rows, x: low[0] - dx, y: low[1] - dy, dx, dy, nodes: nodesOf, lines: [] };
}

const LEAST_CELLS = 6;
const MOST_CELLS = 600;

export const placeAt = ({ nodes }: SurfaceGrid, node: number): Vec3 => [
  nodes[NODE * node],
  nodes[NODE * node + 1],
  nodes[NODE * node + 2],
];
export const normalAt = ({ nodes }: SurfaceGrid, node: number): Vec3 => [
  nodes[NODE * node + 3],
  nodes[NODE * node + 4],
  nodes[NODE * node + 5],
];

export function setNode(
  { nodes }: SurfaceGrid,
  node: number,
  { at, normal, isOff }: { at: Vec3; normal: Vec3; isOff: boolean },
): void {
  nodes.set([...at, ...normal, 1, isOff ? 1 : 0], NODE * node);
}

export const isOff = ({ nodes }: SurfaceGrid, node: number): boolean => nodes[NODE * node + 7] > 0;

/** Row after row, with the place in the plane. */
export function eachNode(grid: SurfaceGrid, visit: (node: number, x: number, y: number) => void): void {
  for (let j = 0; j < grid.rows; j++)
    for (let i = 0; i < grid.columns; i++) visit(j * grid.columns + i, grid.x + i * grid.dx, grid.y + j * grid.dy);
}

/** What a grid says of a place of the plane. */
export interface GridSpot {
  at: Vec3;
  normal: Vec3;
  stretch: number;
  /** from 0, on the model, to 1, beside it */
  off: number;
}

// filled anew by every look: this is asked a million times
const wx = new Float64Array(4);
const wy = new Float64Array(4);

/** Smooth through the nodes (Catmull and Rom 1974, both ways); beyond the grid straight on. */
export function lookUp(grid: SurfaceGrid, x: number, y: number): GridSpot {
  const { columns, rows, nodes: n } = grid;
  const i = weigh(wx, (x - grid.x) / grid.dx, columns);
  const j = weigh(wy, (y - grid.y) / grid.dy, rows);
  let px = 0;
  let py = 0;
  let pz = 0;
  let nx = 0;
  let ny = 0;
  let nz = 0;
  let stretch = 0;
  let off = 0;
  for (let b = 0; b < 4; b++) {
    if (wy[b] === 0) continue;
    const row = (j + b - 1) * columns + i - 1;
    for (let a = 0; a < 4; a++) {
      const w = wx[a] * wy[b];
      if (w === 0) continue;
      const o = (row + a) * NODE;
      px += w * n[o];
      py += w * n[o + 1];
      pz += w * n[o + 2];
      nx += w * n[o + 3];
      ny += w * n[o + 4];
      nz += w * n[o + 5];
      stretch += w * n[o + 6];
      off += w * n[o + 7];
    }
  }
  const size = Math.sqrt(nx * nx + ny * ny + nz * nz) || 1;
  return { at: [px, py, pz], normal: [nx / size, ny / size, nz / size], stretch, off };
}

/**
 * Weights of the four nodes around a place, and the number of the second of them. Those beyond the border weigh
 * nothing.
 */
function weigh(w: Float64Array, at: number, count: number): number {
  const i = Math.min(count - 2, Math.max(0, Math.floor(at)));
  const t = at - i;
  const isInside = t >= 0 && t <= 1;
  w[0] = isInside ? (t * (t * (2 - t) - 1)) / 2 : 0;
  w[1] = isInside ? (t * t * (3 * t - 5) + 2) / 2 : 1 - t;
  w[2] = isInside ? (t * (t * (4 - 3 * t) + 1)) / 2 : t;
  w[3] = isInside ? (t * t * (t - 1)) / 2 : 0;
  // a node beyond the border goes on from the last two
  if (i === 0) {
    w[1] += 2 * w[0];
    w[2] -= w[0];
    w[0] = 0;
  }
  if (i === count - 2) {
    w[2] += 2 * w[3];
    w[1] -= w[3];
    w[3] = 0;
  }
  return i;
}

/** Where a place of a line lies between the columns, so that lengths along that line are kept. */
export function columnOf({ lines, x, dx, columns }: SurfaceGrid, along: number, baseline: number): number {
  if (lines.length === 0) return along;
  const line = lines.reduce((a, b) => (Math.abs(b.baseline - baseline) < Math.abs(a.baseline - baseline) ? b : a));
  let [low, high] = [0, columns - 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (line.along[middle] <= along) low = middle;
    else high = middle;
  }
  const step = line.along[low + 1] - line.along[low];
  return x + dx * (low + (step > 0 ? (along - line.along[low]) / step : 0));
}

/** Lengths along a row of the plane at a height, from x = 0, at every column. */
export function alongRow(grid: SurfaceGrid, y: number): Float64Array {
  const far = new Float64Array(grid.columns);
  for (let i = 1; i < grid.columns; i++) {
    let way = 0;
    let last = lookUp(grid, grid.x + (i - 1) * grid.dx, y).at;
    for (let k = 1; k <= PARTS; k++) {
      const { at } = lookUp(grid, grid.x + (i - 1 + k / PARTS) * grid.dx, y);
      way += sizeOf([at[0] - last[0], at[1] - last[1], at[2] - last[2]]);
      last = at;
    }
    far[i] = far[i - 1] + way;
  }
  const zero = Math.min(grid.columns - 2, Math.max(0, Math.floor(-grid.x / grid.dx)));
  const start = far[zero] + (far[zero + 1] - far[zero]) * (-grid.x / grid.dx - zero);
  return far.map((v) => v - start);
}

const PARTS = 4;
