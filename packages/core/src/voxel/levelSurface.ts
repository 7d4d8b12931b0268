import { MeshBuilder, type PolygonMesh } from '../mesh/index.ts';
import { placeOf, type NodeGrid } from './nodeGrid.ts';

/** Of a cell: values nearer to the level are moved off it by so much, or faces would shrink to nothing. */
const OFF = 0.05;

/**
 * Corners of a cell by their bits (1 across, 2 up, 4 deep): the six tetrahedra around its long diagonal, alike in every
 * cell (Kuhn 1960), each positively turned.
 */
const TETRAHEDRA = [
  [0, 1, 3, 7],
  [0, 3, 2, 7],
  [0, 2, 6, 7],
  [0, 6, 4, 7],
  [0, 4, 5, 7],
  [0, 5, 1, 7],
];

/** Even rearrangements of a tetrahedron's corners, by the one or two that come first. */
const FIRST_ONE = [
  [0, 1, 2, 3],
  [1, 0, 3, 2],
  [2, 0, 1, 3],
  [3, 0, 2, 1],
];
const FIRST_TWO: Readonly<Record<number, readonly number[]>> = {
  3: [0, 1, 2, 3],
  5: [0, 2, 3, 1],
  9: [0, 3, 1, 2],
  6: [1, 2, 0, 3],
  10: [1, 3, 2, 0],
  12: [2, 3, 0, 1],
};

/**
 * Where values at the nodes pass zero, as a closed mesh of triangles and quads around what lies below it: by
 * tetrahedra, in which linear values have a plane for their level (Payne and Toga 1990), so that no case is ambiguous.
 * Values at the grid's border have to be above zero.
 */
export function levelSurface(values: Float32Array, grid: NodeGrid): PolygonMesh {
  const { counts, strides, size } = grid;
  const builder = new MeshBuilder();
  const region = builder.region('body', -1, -1);
  const bits = Array.from(
    { length: 8 },
    (_, b) => (b & 1) * strides[0] + ((b >> 1) & 1) * strides[1] + ((b >> 2) & 1) * strides[2],
  );
  const made = new Map<number, number>();
  const valueAt = (node: number): number => {
    const v = values[node];
    return v < 0 ? Math.min(v, -OFF * size) : Math.max(v, OFF * size);
  };
  const nodePlace = (node: number): [number, number, number] => {
    const k = Math.floor(node / strides[2]);
    const j = Math.floor((node - k * strides[2]) / strides[1]);
    return placeOf(grid, node - k * strides[2] - j * strides[1], j, k);
  };
  const crossing = (a: number, b: number): number => {
    const [from, to] = a < b ? [a, b] : [b, a];
    const key = from * EDGES + bits.indexOf(to - from);
    const known = made.get(key);
    if (known !== undefined) return known;
    const [p, q] = [nodePlace(from), nodePlace(to)];
    const share = valueAt(from) / (valueAt(from) - valueAt(to));
    const vertex = builder.vertex(...(p.map((v, k) => v + share * (q[k] - v)) as [number, number, number]));
    made.set(key, vertex);
    return vertex;
  };
  for (let k = 0; k + 1 < counts[2]; k++)
    for (let j = 0; j + 1 < counts[1]; j++)
      for (let i = 0; i + 1 < counts[0]; i++) {
        const cell = i + strides[1] * j + strides[2] * k;
        if (isOneSided(values, cell, bits)) continue;
        for (const tetrahedron of TETRAHEDRA) {
          const loop = loopIn(
            tetrahedron.map((b) => cell + bits[b]),
            values,
          );
          if (loop)
            builder.face(
              loop.map(([a, b]) => crossing(a, b)),
              region,
            );
        }
      }
  return builder.finish();
}

/** Ways from a node to others of its cells that edges run along, and one that none does. */
const EDGES = 8;

function isOneSided(values: Float32Array, cell: number, bits: readonly number[]): boolean {
  const first = values[cell] < 0;
  for (let b = 1; b < 8; b++) if (values[cell + bits[b]] < 0 !== first) return false;
  return true;
}

/**
 * Edges of a tetrahedron that the level crosses, around what lies below it seen from above; undefined where it does
 * not.
 */
function loopIn(nodes: readonly number[], values: Float32Array): (readonly [number, number])[] | undefined {
  let below = 0;
  nodes.forEach((node, i) => (below |= values[node] < 0 ? 1 << i : 0));
  if (below === 0 || below === 15) return undefined;
  const pair = FIRST_TWO[below];
  if (pair) {
    const [a, b, c, d] = pair.map((i) => nodes[i]);
    return [
      [a, c],
      [a, d],
      [b, d],
      [b, c],
    ];
  }
  const alone = [1, 2, 4, 8].indexOf(below);
  const [a, b, c, d] = FIRST_ONE[alone >= 0 ? alone : [14, 13, 11, 7].indexOf(below)].map((i) => nodes[i]);
  return alone >= 0
    ? [
        [a, b],
        [a, c],
        [a, d],
      ]
    : [
        [a, b],
        [a, d],
        [a, c],
      ];
}
