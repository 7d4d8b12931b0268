import { dot, minus, sizeOf, unit, type Vec3 } from '../math/index.ts';
import { NODE, normalAt, placeAt, type SurfaceGrid } from './surfaceGrid.ts';

/** The divisor of the way along a normal is no smaller: beyond, letters would grow spikes. */
const LEAST_DIVISOR = 0.5;
/** Of the depth: how far normals are evened out where a surface is convex. */
const REACH = 1.5;
/** Of the radius that a hollow crease needs just not to fold, and of the depth at most. */
const IN_HAND = 1.2;
const MOST_REACH = 6;

/**
 * Evens out the normals of a grid as far as the depth of what stands on it asks for, so that walls do not cross or
 * split where the surface has a crease. On hollow creases farther (1.5 d sin(a/2) / cos^3(a/2), measured), and the way
 * along the normal is lengthened there, so that the thickness stays.
 */
export function smoothNormals(grid: SurfaceGrid, depth: number): void {
  if (!(depth > 0)) return;
  const { columns, rows } = grid;
  const raw = Float64Array.from(
    { length: 3 * columns * rows },
    (_, i) => grid.nodes[NODE * Math.floor(i / 3) + 3 + (i % 3)],
  );
  const bend = sharpestBend(grid);
  const reach = depth * Math.max(REACH, Math.min(MOST_REACH, bend.hollow > 0 ? reachFor(bend.hollow) : 0));
  if (bend.most < LEVEL) return;
  const across = blurred(raw, grid, Math.round(reach / grid.dx), { across: true });
  const both = blurred(across, grid, Math.round(reach / grid.dy), { across: false });
  for (let node = 0; node < columns * rows; node++) {
    const even = unit([both[3 * node], both[3 * node + 1], both[3 * node + 2]]);
    grid.nodes.set(even, NODE * node + 3);
  }
  for (let node = 0; node < columns * rows; node++) {
    const own: Vec3 = [raw[3 * node], raw[3 * node + 1], raw[3 * node + 2]];
    const cosine = dot(own, normalAt(grid, node));
    grid.nodes[NODE * node + 6] = isHollow(grid, node) ? 1 / Math.max(LEAST_DIVISOR, cosine) : 1;
  }
}

/** Radians between neighbours' normals: less needs no evening out. */
const LEVEL = 0.2;

/** Multiples of the depth, from half the sine of the crease's angle. */
function reachFor(half: number): number {
  const s = Math.min(half, 0.95);
  const c = Math.sqrt(1 - s * s);
  return (IN_HAND * 1.5 * s) / (c * c * c);
}

/** The sharpest turn between neighbours, in radians by its chord, and of hollow ones the sine of half of it. */
function sharpestBend(grid: SurfaceGrid): { most: number; hollow: number } {
  let [most, hollow] = [0, 0];
  for (let node = 0; node < grid.columns * grid.rows; node++) {
    for (const other of [node + 1, node + grid.columns]) {
      if (other >= grid.columns * grid.rows || (other === node + 1 && other % grid.columns === 0)) continue;
      const turn = minus(normalAt(grid, other), normalAt(grid, node));
      const chord = sizeOf(turn);
      most = Math.max(most, chord);
      if (chord > LEVEL && dot(turn, minus(placeAt(grid, other), placeAt(grid, node))) < 0)
        hollow = Math.max(hollow, chord / 2);
    }
  }
  return { most, hollow };
}

/** Whether normals come together around a node more than they part. */
function isHollow(grid: SurfaceGrid, node: number): boolean {
  const [i, j] = [node % grid.columns, Math.floor(node / grid.columns)];
  const along = (step: number, at: number, count: number): number => {
    const [a, b] = [at > 0 ? node - step : node, at + 1 < count ? node + step : node];
    return dot(minus(normalAt(grid, b), normalAt(grid, a)), minus(placeAt(grid, b), placeAt(grid, a)));
  };
  const [x, y] = [along(1, i, grid.columns), along(grid.columns, j, grid.rows)];
  return (Math.abs(x) > Math.abs(y) ? x : y) < 0;
}

/**
 * Rows (or columns) of vectors, each weighted with its neighbours by a hat; at the border narrower, so that nothing
 * leans to one side.
 */
function blurred(
  from: Float64Array,
  { columns, rows }: SurfaceGrid,
  reach: number,
  { across }: { across: boolean },
): Float64Array {
  if (reach < 1) return from;
  const to = new Float64Array(from.length);
  const [count, step] = across ? [columns, 3] : [rows, 3 * columns];
  for (let j = 0; j < rows; j++) {
    for (let i = 0; i < columns; i++) {
      const at = across ? i : j;
      const wide = Math.min(reach, at, count - 1 - at);
      const o = 3 * (j * columns + i);
      for (let n = -wide; n <= wide; n++) {
        const weight = wide + 1 - Math.abs(n);
        for (let k = 0; k < 3; k++) to[o + k] += weight * from[o + n * step + k];
      }
    }
  }
  return to;
}
