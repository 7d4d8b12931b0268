import { keptBy } from '../base/index.ts';
import type { Vec3 } from '../math/index.ts';
import { distanceSquared, faceCount, vertexCount, type PolygonMesh } from '../mesh/index.ts';
import type { ChainPoint } from './pointMap.ts';

/** A mesh to be shaped, and what is known of it in the flat layout. */
export interface Shaped {
  mesh: PolygonMesh;
  /** three numbers a vertex, mm: where it lies in the flat layout; left out: where the mesh has it */
  rest?: Float64Array;
  /** three numbers a vertex, mm: where it lies as the chain begins; left out: where the flat layout has it */
  start?: Float64Array;
  /** id of each of the mesh's letters, and the middle of its foot in the flat layout */
  letters: readonly number[];
  feet: readonly Vec3[];
}

/** What a chain needs to know of a mesh's vertices. Each call fills the same point anew: it is good until the next. */
export interface MeshPoints {
  count: number;
  of(vertex: number): ChainPoint;
  /** a share of the way between two vertices */
  between(a: number, b: number, share: number): ChainPoint;
  /** in the flat layout, mm, square mm */
  distance(a: number, b: number): number;
  distanceSquared(a: number, b: number): number;
}

const ZERO: Vec3 = [0, 0, 0];

/** What a chain needs to know of many points, in rows. */
export interface PointRows {
  count: number;
  /** three numbers a point: in the flat layout */
  rest: Float64Array;
  /** the same as the chain begins; left out: where the flat layout has it */
  start?: Float64Array;
  /** which way is outward as the chain begins; left out: the chain looks it up */
  outward?: Float64Array;
  /** of the pattern of the chain's only map; left out: the map looks them up */
  heights?: Float64Array;
  /** number of each one's letter; -1: none */
  letter: Int32Array;
  isFront: Uint8Array;
  /** of the letters, by number: id, and middle of the foot */
  letters: readonly number[];
  feet: readonly Vec3[];
}

/** All vertices of a mesh. */
export const meshRows = ({ mesh, rest, start, letters, feet }: Shaped): PointRows => ({
  count: vertexCount(mesh),
  rest: rest ?? mesh.positions,
  ...(start && { start }),
  ...vertexMarks(mesh),
  letters,
  feet,
});

/** A point to be filled from rows again and again. */
export const rowPoint = ({ start, outward }: PointRows): ChainPoint => ({
  rest: [0, 0, 0],
  ...(start && { start: [0, 0, 0] as Vec3 }),
  ...(outward && { outward: [0, 0, 0] as Vec3 }),
  normal: [0, 0, 1],
  letter: -1,
  foot: ZERO,
  isFront: true,
});

export function fillPoint(
  point: ChainPoint,
  { rest, start, outward, heights, letter, isFront, letters, feet }: PointRows,
  v: number,
): void {
  for (let k = 0; k < 3; k++) point.rest[k] = rest[3 * v + k];
  if (start && point.start) for (let k = 0; k < 3; k++) point.start[k] = start[3 * v + k];
  if (outward && point.outward) for (let k = 0; k < 3; k++) point.outward[k] = outward[3 * v + k];
  if (heights) point.height = heights[v];
  const own = letter[v];
  point.letter = own < 0 ? -1 : (letters[own] ?? -1);
  point.foot = own < 0 ? ZERO : (feet[own] ?? ZERO);
  point.isFront = isFront[v] === 1;
}

export function meshPoints(rows: PointRows): MeshPoints {
  const { count, rest, start, isFront } = rows;
  const point = rowPoint(rows);
  return {
    count,
    of: (v) => {
      fillPoint(point, rows, v);
      return point;
    },
    between: (a, b, share) => {
      fillPoint(point, rows, a);
      for (let k = 0; k < 3; k++) {
        point.rest[k] = mix(rest[3 * a + k], rest[3 * b + k], share);
        if (start && point.start) point.start[k] = mix(start[3 * a + k], start[3 * b + k], share);
      }
      point.isFront ||= isFront[b] === 1;
      return point;
    },
    distanceSquared: (a, b) => distanceSquared(rest, 3 * a, 3 * b),
    distance: (a, b) => Math.sqrt(distanceSquared(rest, 3 * a, 3 * b)),
  };
}

/** Exact in the middle. */
const mix = (a: number, b: number, share: number): number => (share === 0.5 ? (a + b) / 2 : a + share * (b - a));

/** Letter of each vertex, by its number in the mesh, and whether all faces around it are fronts or backs. */
export const vertexMarks = keptBy((mesh: PolygonMesh): Pick<PointRows, 'letter' | 'isFront'> => {
  const letter = new Int32Array(vertexCount(mesh)).fill(-1);
  const isFront = new Uint8Array(letter.length).fill(1);
  for (let f = 0; f < faceCount(mesh); f++) {
    const { part, letter: own } = mesh.regions[mesh.region[f]];
    const isFlat = part === 'front' || part === 'back';
    for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++) {
      const v = mesh.faceVertices[c];
      if (!isFlat) isFront[v] = 0;
      if (own > letter[v]) letter[v] = own;
    }
  }
  return { letter, isFront };
});
