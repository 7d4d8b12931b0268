import { sharedFloats } from '../base/index.ts';
import { aroundBoxes, boxOfPoints, diagonalOf, minus, sizeOf, type Vec3 } from '../math/index.ts';
import { areaVector, triangulate, type PolygonMesh } from '../mesh/index.ts';
import { splineWeights } from './splineWeights.ts';

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
 * Which way is outward, in space: the normals of all faces, softened by a bell of the deviation `sigmaMm`. On a flat
 * face far from others it is the face's normal; at rims it turns from one side to the other, and between walls that
 * face each other closer than the bell it fades. It is, up to scale, the gradient of how full of solid the place is
 * through the bell (as in Kazhdan, Bolitho and Hoppe 2006, "Poisson surface reconstruction"), and turns by at most
 * {@link FIELD_SLOPE} / sigma a mm.
 */
export function outwardGrid(meshes: readonly PolygonMesh[], sigmaMm: number): FieldGrid {
  const grid = gridAround(meshes, sigmaMm);
  for (const mesh of meshes) spread(mesh, grid);
  for (let axis = 0; axis < 3; axis++) {
    soften(grid, axis, [1 / 16, 4 / 16, 6 / 16, 4 / 16, 1 / 16]);
    soften(grid, axis, [1 / 4, 2 / 4, 1 / 4]);
  }
  return grid;
}

/**
 * How fast a field turns at most, per deviation: 0.61 across one wall; two walls that face each other, or rims, make
 * about twice that.
 */
export const FIELD_SLOPE = 1.3;

/** A field as it is kept: other threads see its values without a copy. */
export interface FieldGrid {
  low: Vec3;
  cell: number;
  /** cells along each axis */
  count: [number, number, number];
  /** three numbers a cell */
  values: Float32Array;
}

function gridAround(meshes: readonly PolygonMesh[], sigmaMm: number): FieldGrid {
  const box = meshes.map(({ positions }) => boxOfPoints(positions)).reduce(aroundBoxes);
  const size = box.high.map((high, k) => high - box.low[k]);
  let cell = Math.max(CELL * sigmaMm, 1e-4 * diagonalOf(box), 1e-9);
  const counts = () => size.map((s) => Math.ceil(s / cell) + 2 * MARGIN) as [number, number, number];
  while (counts().reduce((all, n) => all * n, 1) > MOST_CELLS) cell *= 1.25;
  const count = counts();
  const low = box.low.map((value) => value - MARGIN * cell) as Vec3;
  return { low, cell, count, values: sharedFloats(3 * count[0] * count[1] * count[2]) };
}

/** Every face's normal goes to the cells around it, as much as it is large. */
function spread(mesh: PolygonMesh, grid: FieldGrid): void {
  const { corners } = triangulate(mesh);
  const p = mesh.positions;
  const longest = SAMPLE_CELLS * grid.cell;
  for (let t = 0; t < corners.length; t += 3) {
    const [a, b, c] = [0, 1, 2].map((k) => 3 * mesh.faceVertices[corners[t + k]]);
    const [u, v] = [b, c].map((to): Vec3 => [p[to] - p[a], p[to + 1] - p[a + 1], p[to + 2] - p[a + 2]]);
    const area = areaVector(p, a, b, c);
    const [acrossU, acrossV, opposite] = [u, v, minus(v, u)].map(sizeOf);
    const [deep, wide] = [Math.max(acrossU, acrossV), opposite].map((s) => Math.max(1, Math.ceil(s / longest)));
    const weight = 1 / (2 * grid.cell * grid.cell * deep * wide);
    for (let i = 0; i < deep; i++) {
      // rows from the corner to the side over against it, each as wide as the triangle is there
      const s = Math.sqrt((i + 0.5) / deep);
      for (let j = 0; j < wide; j++) {
        const q = (s * (j + 0.5)) / wide;
        const place = [0, 1, 2].map((k) => p[a + k] + (s - q) * u[k] + q * v[k]) as Vec3;
        add(grid, place, area, { weight });
      }
    }
  }
}

/** To the 27 cells around a place, by quadratic B-splines, each its share of a weight; none near the grid's edge. */
function add(
  { low, cell, count, values }: FieldGrid,
  place: Vec3,
  vector: readonly number[],
  { weight }: { weight: number },
): void {
  const [x, y, z] = place.map((value, k) => (value - low[k]) / cell);
  const [i, j, k] = [Math.floor(x), Math.floor(y), Math.floor(z)];
  if (!(i >= 1 && j >= 1 && k >= 1 && i < count[0] - 1 && j < count[1] - 1 && k < count[2] - 1)) return;
  const [wx, wy, wz] = [x - i, y - j, z - k].map((t) => splineWeights(t - 0.5));
  for (let c = 0; c < 3; c++)
    for (let b = 0; b < 3; b++)
      for (let n = 0; n < 3; n++) {
        const at = 3 * (i + n - 1 + count[0] * (j + b - 1 + count[1] * (k + c - 1)));
        const w = weight * wx[n] * wy[b] * wz[c];
        for (let axis = 0; axis < 3; axis++) values[at + axis] += w * vector[axis];
      }
}

function soften({ count, values }: FieldGrid, axis: number, kernel: readonly number[]): void {
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

export function outwardField({ low, cell, count, values }: FieldGrid): OutwardField {
  const [countX, countY, countZ] = count;
  // in plain loops: asked for wherever a point lies that is moved outward
  return (place) => {
    const x = (place[0] - low[0]) / cell;
    const y = (place[1] - low[1]) / cell;
    const z = (place[2] - low[2]) / cell;
    const [i, j, k] = [Math.floor(x), Math.floor(y), Math.floor(z)];
    if (!(i >= 1 && j >= 1 && k >= 1 && i < countX - 1 && j < countY - 1 && k < countZ - 1)) return [0, 0, 0];
    const wx = splineWeights(x - i - 0.5);
    const wy = splineWeights(y - j - 0.5);
    const wz = splineWeights(z - k - 0.5);
    let [ax, ay, az] = [0, 0, 0];
    for (let c = 0; c < 3; c++)
      for (let b = 0; b < 3; b++) {
        let from = 3 * (i - 1 + countX * (j + b - 1 + countY * (k + c - 1)));
        for (let n = 0; n < 3; n++, from += 3) {
          const w = SCALE * wx[n] * wy[b] * wz[c];
          ax += w * values[from];
          ay += w * values[from + 1];
          az += w * values[from + 2];
        }
      }
    const by = Math.max(1, Math.sqrt(ax * ax + ay * ay + az * az));
    return [ax / by, ay / by, az / by];
  };
}

/** A plane's density read at the plane: the bell of deviation sqrt(2) cells has this height there. */
const SCALE = Math.sqrt(2 * Math.PI) * Math.SQRT2;
