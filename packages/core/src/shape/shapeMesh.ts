import { atan2 } from '../math/index.ts';
import { faceAreaVectors, faceCount, unfolded, vertexCount, type PolygonMesh } from '../mesh/index.ts';
import type { ShapeChain } from './chain.ts';
import { distanceToLine } from './need.ts';
import { cross, dot, minus, plus, sizeOf, unit, type ChainPoint, type Vec3 } from './pointMap.ts';
import { splitFar, triangulateWhere } from './splitFar.ts';

/** A mesh to be shaped, and what is known of it in the flat layout. */
export interface Shaped {
  mesh: PolygonMesh;
  /** three numbers a vertex, mm: where it lies in the flat layout; left out: where the mesh has it */
  rest?: Float64Array;
  /** id of each of the mesh's letters, and the middle of its foot in the flat layout */
  letters: readonly number[];
  feet: readonly Vec3[];
}

export interface ShapeOptions {
  /** edges that stray farther are cut; undefined: none is */
  toleranceMm?: number;
  /** most faces that may become of it */
  mostFaces: number;
}

export interface ShapedMesh {
  mesh: PolygonMesh;
  /** of the mesh's vertices */
  rest: Float64Array;
  /** edges stray that could not be cut any more */
  isLeft: boolean;
}

/** What a mesh becomes under a chain of steps. Its faces stay, but those that stray or fold are cut. */
export function shapeMesh(shaped: Shaped, chain: ShapeChain, { toleranceMm, mostFaces }: ShapeOptions): ShapedMesh {
  const cut = toleranceMm === undefined ? { ...shaped, isLeft: false } : cutWhere(shaped, chain, { toleranceMm, mostFaces }); // prettier-ignore
  const points = meshPoints({ ...shaped, mesh: cut.mesh, rest: cut.rest });
  const positions = new Float64Array(cut.mesh.positions.length);
  for (let v = 0; v < points.count; v++) positions.set(chain.at(points.of(v)), 3 * v);
  const rest = (cut.rest ?? cut.mesh.positions).slice();
  const even = triangulateWhere(cut.mesh, (f) => !isEven({ ...cut.mesh, positions }, f), { ...cut.mesh, positions });
  return { mesh: unfolded(even), rest, isLeft: cut.isLeft };
}

/** Of its size: a face with more than four corners that leaves its plane by more looks different wherever it is triangulated. */
const UNEVEN = 1e-6;

function isEven({ positions: p, faceStart, faceVertices }: PolygonMesh, face: number): boolean {
  const row = faceVertices.subarray(faceStart[face], faceStart[face + 1]);
  const at = (v: number): Vec3 => [p[3 * v], p[3 * v + 1], p[3 * v + 2]];
  const origin = at(row[0]);
  let normal: Vec3 = [0, 0, 0];
  let size = 0;
  for (let i = 1; i + 1 < row.length; i++) {
    normal = plus(normal, cross(minus(at(row[i]), origin), minus(at(row[i + 1]), origin)));
    size = Math.max(size, sizeOf(minus(at(row[i]), origin)));
  }
  normal = unit(normal);
  return row.every((v) => Math.abs(dot(normal, minus(at(v), origin))) <= UNEVEN * size);
}

/** Only what still lies flat can be cut: new points of it lie where the flat layout has them. */
function cutWhere(
  shaped: Shaped,
  chain: ShapeChain,
  { toleranceMm, mostFaces }: { toleranceMm: number; mostFaces: number },
): { mesh: PolygonMesh; rest?: Float64Array; isLeft: boolean } {
  if (shaped.rest) return { mesh: shaped.mesh, rest: shaped.rest, isLeft: false };
  return splitFar(shaped.mesh, (mesh) => strays({ ...shaped, mesh }, chain, toleranceMm), mostFaces);
}

function strays(shaped: Shaped, chain: ShapeChain, toleranceMm: number): (a: number, b: number) => boolean {
  const distance = straying(shaped, chain);
  return (a, b) => distance(a, b) > toleranceMm;
}

/** How far the middle between two vertices strays from the line between their images, mm. */
function straying(shaped: Shaped, chain: ShapeChain): (a: number, b: number) => number {
  const points = meshPoints(shaped);
  const images = new Float64Array(3 * points.count);
  for (let v = 0; v < points.count; v++) images.set(chain.at(points.of(v)), 3 * v);
  const image = (v: number): Vec3 => [images[3 * v], images[3 * v + 1], images[3 * v + 2]];
  return (a, b) => distanceToLine(chain.at(points.between(a, b)), image(a), image(b));
}

/** The farthest that edges and diagonals of a flat mesh stray from the shaped surface, mm. */
export function strayOf(shaped: Shaped, chain: ShapeChain): number {
  const { mesh } = shaped;
  const distance = straying(shaped, chain);
  let most = 0;
  for (let f = 0; f < faceCount(mesh); f++) {
    const row = mesh.faceVertices.subarray(mesh.faceStart[f], mesh.faceStart[f + 1]);
    row.forEach((v, i) => (most = Math.max(most, distance(v, row[(i + 1) % row.length]))));
    if (row.length === 4) most = Math.max(most, Math.min(distance(row[0], row[2]), distance(row[1], row[3])));
  }
  return most;
}

export interface MeshPoints {
  count: number;
  of(vertex: number): ChainPoint;
  /** the middle of two vertices; its normal is the mean of theirs, shorter than 1 where they differ: what is moved by it is then no bulge between them */
  between(a: number, b: number): ChainPoint;
}

/** What a chain needs to know of a mesh's vertices. */
export function meshPoints({ mesh, rest, letters, feet }: Shaped): MeshPoints {
  const count = vertexCount(mesh);
  const places = rest ?? mesh.positions;
  const normals = vertexNormals(mesh);
  const letter = new Int32Array(count).fill(-1);
  const isFront = new Uint8Array(count).fill(1);
  for (let f = 0; f < faceCount(mesh); f++) {
    const { part, letter: own } = mesh.regions[mesh.region[f]];
    const flat = part === 'front' || part === 'back';
    for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++) {
      const v = mesh.faceVertices[c];
      if (!flat) isFront[v] = 0;
      letter[v] = Math.max(letter[v], own);
    }
  }
  const row = (values: Float64Array, v: number): Vec3 => [values[3 * v], values[3 * v + 1], values[3 * v + 2]];
  const zero: Vec3 = [0, 0, 0];
  const of = (v: number): ChainPoint => ({
    rest: row(places, v),
    normal: row(normals, v),
    letter: letter[v] < 0 ? -1 : (letters[letter[v]] ?? -1),
    foot: letter[v] < 0 ? zero : (feet[letter[v]] ?? zero),
    isFront: isFront[v] === 1,
  });
  return {
    count,
    of,
    between: (a, b) => {
      const [one, other] = [of(a), of(b)];
      const middle = (p: Vec3, q: Vec3): Vec3 => [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2, (p[2] + q[2]) / 2];
      return {
        ...one,
        rest: middle(one.rest, other.rest),
        normal: middle(one.normal, other.normal),
        isFront: one.isFront || other.isFront,
      };
    },
  };
}

/** Unit, three numbers a vertex; over all faces around by their angles there, so that no way of cutting them changes it (Thürmer and Wüthrich 1998). */
function vertexNormals(mesh: PolygonMesh): Float64Array {
  const areas = faceAreaVectors(mesh);
  const normals = new Float64Array(mesh.positions.length);
  for (let f = 0; f < faceCount(mesh); f++) {
    const flat = unit([areas[3 * f], areas[3 * f + 1], areas[3 * f + 2]]);
    for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++) {
      const angle = angleAt(mesh, f, c);
      for (let k = 0; k < 3; k++) normals[3 * mesh.faceVertices[c] + k] += angle * flat[k];
    }
  }
  for (let v = 0; v < normals.length; v += 3) {
    const size = sizeOf([normals[v], normals[v + 1], normals[v + 2]]);
    for (let k = 0; k < 3; k++) normals[v + k] = size > 0 ? normals[v + k] / size : k === 2 ? 1 : 0;
  }
  return normals;
}

/** Radians between the two edges of a face that meet in a corner. */
function angleAt({ positions: p, faceStart, faceVertices }: PolygonMesh, face: number, corner: number): number {
  const [start, end] = [faceStart[face], faceStart[face + 1]];
  const row = [corner, corner > start ? corner - 1 : end - 1, corner + 1 < end ? corner + 1 : start].map((c) => 3 * faceVertices[c]); // prettier-ignore
  const [to, from] = [1, 2].map((i): Vec3 => [p[row[i]] - p[row[0]], p[row[i] + 1] - p[row[0] + 1], p[row[i] + 2] - p[row[0] + 2]]); // prettier-ignore
  return atan2(sizeOf(cross(to, from)), dot(to, from));
}
