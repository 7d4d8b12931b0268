import { boxOfPoints, diagonalOf, sizeOf, type Box3, type Vec3 } from '../math/index.ts';
import { triangulate, type PolygonMesh } from '../mesh/index.ts';

/** A direction at every place of space, no longer than 1, that changes as slowly as asked. */
export type OutwardField = (place: Vec3) => Vec3;

/** Cells of the grid that a field is kept on, at most. */
const MOST_CELLS = 3e6;
/** Rows of cells around the meshes, so that nothing is cut off by the edge of the grid. */
const MARGIN = 5;
/** A cell, of the field's deviation: what spreading, softening and reading add up to is two square cells. */
const CELL = Math.SQRT1_2;
/** Samples of a face lie no farther apart, in cells. */
const SAMPLE_CELLS = 0.6;

/**
 * Which way is outward, in space: the normals of all faces, softened by a bell of the deviation `sigmaMm`. On a flat face far from others it is the face's normal;
 * at rims it turns from one side to the other, and between walls that face each other closer than the bell it fades. It is, up to scale, the gradient of how full of
 * solid the place is through the bell (as in Kazhdan, Bolitho and Hoppe 2006, "Poisson surface reconstruction"), and turns by at most {@link FIELD_SLOPE} / sigma a mm.
 */
export function outwardField(meshes: readonly PolygonMesh[], sigmaMm: number): OutwardField {
  const grid = gridAround(meshes, sigmaMm);
  for (const mesh of meshes) spread(mesh, grid);
  for (let axis = 0; axis < 3; axis++) {
    soften(grid, axis, [1 / 16, 4 / 16, 6 / 16, 4 / 16, 1 / 16]);
    soften(grid, axis, [1 / 4, 2 / 4, 1 / 4]);
  }
  return reader(grid);
}

/** How fast a field turns at most, per deviation: 0.61 across one wall; two walls that face each other, or rims, make about twice that. */
export const FIELD_SLOPE = 1.3;

interface Grid {
  low: Vec3;
  cell: number;
  /** cells along each axis */
  count: [number, number, number];
  /** three numbers a cell */
  values: Float32Array;
}

function gridAround(meshes: readonly PolygonMesh[], sigmaMm: number): Grid {
  const box = meshes.map(({ positions }) => boxOfPoints(positions)).reduce(around);
  const size = box.high.map((high, k) => high - box.low[k]);
  let cell = Math.max(CELL * sigmaMm, 1e-4 * diagonalOf(box), 1e-9);
  const counts = (): [number, number, number] => size.map((s) => Math.ceil(s / cell) + 2 * MARGIN) as [number, number, number]; // prettier-ignore
  while (counts().reduce((all, n) => all * n, 1) > MOST_CELLS) cell *= 1.25;
  const count = counts();
  const low = box.low.map((value) => value - MARGIN * cell) as Vec3;
  return { low, cell, count, values: new Float32Array(3 * count[0] * count[1] * count[2]) };
}

const around = (a: Box3, b: Box3): Box3 => ({
  low: a.low.map((value, k) => Math.min(value, b.low[k])) as Vec3,
  high: a.high.map((value, k) => Math.max(value, b.high[k])) as Vec3,
});

/** Every face's normal goes to the cells around it, as much as it is large. */
function spread(mesh: PolygonMesh, grid: Grid): void {
  const { corners } = triangulate(mesh);
  const corner = (i: number): Vec3 => {
    const v = 3 * mesh.faceVertices[corners[i]];
    return [mesh.positions[v], mesh.positions[v + 1], mesh.positions[v + 2]];
  };
  const longest = SAMPLE_CELLS * grid.cell;
  for (let t = 0; t < corners.length; t += 3) {
    const [a, b, c] = [corner(t), corner(t + 1), corner(t + 2)];
    const [u, v] = [b, c].map((p) => [p[0] - a[0], p[1] - a[1], p[2] - a[2]]);
    const area = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]];
    const [acrossU, acrossV, opposite] = [u, v, v.map((value, k) => value - u[k])].map((e) => sizeOf(e as Vec3));
    const [deep, wide] = [Math.max(acrossU, acrossV), opposite].map((s) => Math.max(1, Math.ceil(s / longest)));
    const weight = 1 / (2 * grid.cell * grid.cell * deep * wide);
    for (let i = 0; i < deep; i++) {
      // rows from the corner to the side over against it, each as wide as the triangle is there
      const s = Math.sqrt((i + 0.5) / deep);
      for (let j = 0; j < wide; j++) {
        const q = (s * (j + 0.5)) / wide;
        const place = a.map((value, k) => value + (s - q) * u[k] + q * v[k]) as Vec3;
        add(grid, place, area, weight);
      }
    }
  }
}

/** Over the 27 cells around a place, by quadratic B-splines. */
function add({ low, cell, count, values }: Grid, place: Vec3, vector: readonly number[], weight: number): void {
  const [x, y, z] = place.map((value, k) => (value - low[k]) / cell);
  const [i, j, k] = [Math.floor(x), Math.floor(y), Math.floor(z)];
  const [wx, wy, wz] = [weights(x - i), weights(y - j), weights(z - k)];
  for (let c = 0; c < 3; c++)
    for (let b = 0; b < 3; b++)
      for (let n = 0; n < 3; n++) {
        const at = 3 * (i + n - 1 + count[0] * (j + b - 1 + count[1] * (k + c - 1)));
        const w = weight * wx[n] * wy[b] * wz[c];
        values[at] += w * vector[0];
        values[at + 1] += w * vector[1];
        values[at + 2] += w * vector[2];
      }
}

/** Of the cell before, its own and the next, by how far a place lies in its cell, 0 to 1. */
const weights = (t: number): [number, number, number] => [
  ((1 - t) * (1 - t)) / 2,
  0.75 - (t - 0.5) * (t - 0.5),
  (t * t) / 2,
];

function soften({ count, values }: Grid, axis: number, kernel: readonly number[]): void {
  const strides = [3, 3 * count[0], 3 * count[0] * count[1]];
  const [n, stride, half] = [count[axis], strides[axis], (kernel.length - 1) / 2];
  const row = new Float64Array(n + 2 * half);
  const [other, third] = [0, 1, 2].filter((k) => k !== axis);
  for (let b = 0; b < count[third]; b++)
    for (let a = 0; a < count[other]; a++)
      for (let c = 0; c < 3; c++) {
        const start = a * strides[other] + b * strides[third] + c;
        for (let i = 0; i < n; i++) row[i + half] = values[start + i * stride];
        for (let i = 0; i < n; i++) {
          let sum = 0;
          for (let k = 0; k < kernel.length; k++) sum += kernel[k] * row[i + k];
          values[start + i * stride] = sum;
        }
      }
}

function reader({ low, cell, count, values }: Grid): OutwardField {
  return (place) => {
    const at: Vec3 = [0, 0, 0];
    const [x, y, z] = place.map((value, k) => (value - low[k]) / cell);
    const [i, j, k] = [Math.floor(x), Math.floor(y), Math.floor(z)];
    if (!(i >= 1 && j >= 1 && k >= 1 && i < count[0] - 1 && j < count[1] - 1 && k < count[2] - 1)) return at;
    const [wx, wy, wz] = [weights(x - i), weights(y - j), weights(z - k)];
    for (let c = 0; c < 3; c++)
      for (let b = 0; b < 3; b++)
        for (let n = 0; n < 3; n++) {
          const cellAt = 3 * (i + n - 1 + count[0] * (j + b - 1 + count[1] * (k + c - 1)));
          const w = SCALE * wx[n] * wy[b] * wz[c];
          at[0] += w * values[cellAt];
          at[1] += w * values[cellAt + 1];
          at[2] += w * values[cellAt + 2];
        }
    const size = sizeOf(at);
    if (size > 1) for (let axis = 0; axis < 3; axis++) at[axis] /= size;
    return at;
  };
}

/** A plane's density read at the plane: the bell of deviation sqrt(2) cells has this height there. */
const SCALE = Math.sqrt(2 * Math.PI) * Math.SQRT2;
