import {
  areaVector,
  distanceSquared,
  faceAreaVectors,
  faceCorners,
  faceCount,
  nextCorner,
  staysFlat,
  unfolded,
  type PolygonMesh,
} from '../mesh/index.ts';
import type { ShapeChain } from './chain.ts';
import { meshPoints, meshRows, vertexMarks, type MeshPoints, type PointRows, type Shaped } from './meshPoints.ts';
import { diagonalOf, dot, plus, sizeOf, type Vec3 } from '../math/index.ts';
import { splitFar, type Far, type Straying, triangulateWhere } from './splitFar.ts';
import type { SplitMesh } from './splitMesh.ts';
import { edgeOf, withoutCaps } from './withoutCaps.ts';

export interface ShapeOptions {
  /** edges that stray farther are cut; undefined: none is */
  toleranceMm?: number;
  /** what is next to nothing against this is taken in by its neighbours first, mm; undefined: nothing is */
  capsMm?: number;
  /** faces stay as they are, even where they fold or leave their plane */
  rough?: boolean;
  /** most faces that may become of it */
  mostFaces: number;
}

export interface ShapedMesh {
  /** it knows where it lay in the flat layout */
  mesh: PolygonMesh;
  /** edges stray that could not be cut any more */
  isLeft: boolean;
}

/** What a mesh becomes under a chain of steps. Its faces stay, but those that stray or fold are cut. */
export function shapeMesh(
  shaped: Shaped,
  chain: ShapeChain,
  { toleranceMm, capsMm, mostFaces, rough = false }: ShapeOptions,
): ShapedMesh {
  const images = new Images(shaped, chain);
  // only what still lies flat can be cut: new points of it lie where the flat layout has them
  const start = capsMm === undefined || shaped.rest ? shaped.mesh : withoutCaps(shaped.mesh, capsMm);
  const cut =
    toleranceMm === undefined || shaped.rest
      ? { mesh: start, isLeft: false }
      : splitFar(start, images.straying(start, toleranceMm), mostFaces);
  const bent = { ...cut.mesh, positions: images.of(cut.mesh) };
  const rest = (shaped.rest ?? cut.mesh.positions).slice();
  if (rough) return { mesh: { ...bent, rest }, isLeft: false };
  const diagonal = diagonalOf(chain.box);
  const even = triangulateWhere(cut.mesh, (f) => !staysFlat(bent, f, UNEVEN * diagonal), bent);
  // narrow faces that could not be cut as far as they would have to be are no coarser than anybody asked for
  const isLeft = cut.isLeft && toleranceMm !== undefined && images.most(cut.mesh) > toleranceMm;
  return { mesh: { ...unfolded(even), rest }, isLeft };
}

/**
 * Images of vertices under a chain. A mesh that was cut keeps the vertices it had, so those are only worked out once.
 */
class Images {
  readonly #shaped: Shaped;
  readonly #chain: ShapeChain;
  /** corners of a face that stays flat lie in its plane within this */
  readonly #flatMm: number;
  #known = new Float64Array(0);
  #room = new Float64Array(0);
  /** of the mesh that was looked at last */
  #last: { mesh: PolygonMesh; rows: PointRows; points: MeshPoints } | undefined;

  constructor(shaped: Shaped, chain: ShapeChain) {
    this.#shaped = shaped;
    this.#chain = chain;
    this.#flatMm = UNEVEN * diagonalOf(chain.box);
  }

  /** Three numbers a vertex. */
  of(mesh: PolygonMesh): Float64Array {
    const count = mesh.positions.length;
    if (this.#known.length < count) this.#grow(meshRows({ ...this.#shaped, mesh }));
    return this.#known.slice(0, count);
  }

  /** Of all points that there are by now; with room beyond the last. */
  #grow(rows: PointRows): Float64Array {
    const count = 3 * rows.count;
    if (this.#room.length < count) {
      const room = new Float64Array(this.#known.length === 0 ? count : 2 * count);
      room.set(this.#known);
      this.#room = room;
    }
    this.#chain.fill(rows, this.#room, this.#known.length / 3);
    this.#known = this.#room.subarray(0, count);
    return this.#known;
  }

  /** Tells of a mesh, and of what it is cut into, where it strays. */
  straying(mesh: PolygonMesh, toleranceMm: number): Straying {
    const { usesNormals } = this.#chain;
    const narrow = usesNormals ? narrowEdges(mesh, toleranceMm) : undefined;
    const first = this.#far(this.of(mesh), this.#pointsOf(mesh).points, toleranceMm);
    return {
      first: { ...first, edge: (a, b) => first.edge(a, b, narrow?.(a, b)) },
      marks: vertexMarks,
      of: (split) => {
        const points = split.points(this.#shaped);
        return this.#far(this.#grow(points), meshPoints(points), toleranceMm);
      },
      ...(usesNormals && { mayOf: (split, corner) => narrowEdge(split, corner, toleranceMm) }),
    };
  }

  /**
   * Whether the middle between two vertices lies farther from the line between their images, or from the plane of a
   * face that stays flat, mm; of narrow faces less is far where points are moved outward.
   */
  #far(images: Float64Array, points: MeshPoints, toleranceMm: number): Far {
    const { line, plane } = this.#straying(images, points);
    const near = this.#surelyWithin(points);
    const edge = (a: number, b: number, mayMm = toleranceMm): boolean => !near(a, b, mayMm) && line(a, b) > mayMm;
    const offMm = toleranceMm - this.#flatMm;
    return {
      edge,
      within: (face) => {
        if (face.length === 4 && near(face[0], face[2], offMm) && near(face[1], face[3], offMm)) return NEVER;
        const flat = this.#chain.usesNormals ? undefined : planeOf(images, face, this.#flatMm);
        return flat ? (a, b) => plane(flat, a, b) > toleranceMm : (a, b) => edge(a, b);
      },
    };
  }

  /** Whether a chord can't stray farther, by what is known of the chain, so that nobody has to look. */
  #surelyWithin(points: MeshPoints): (a: number, b: number, mayMm: number) => boolean {
    const bends = this.#shaped.start ? undefined : this.#chain.bends;
    if (bends === undefined) return NEVER;
    // with room for rounding
    const eighth = (1.001 * bends) / 8;
    return (a, b, mayMm) => eighth * points.distanceSquared(a, b) < mayMm;
  }

  /** The farthest that edges and diagonals stray, mm. */
  most(mesh: PolygonMesh): number {
    const images = this.of(mesh);
    const { line: distance, plane } = this.#straying(images, this.#pointsOf(mesh).points);
    const offPlane = ([a, b, c, d]: readonly number[]): number => {
      const flat = this.#chain.usesNormals ? undefined : planeOf(images, [a, b, c, d], this.#flatMm);
      return flat ? Math.max(plane(flat, a, c), plane(flat, b, d)) : Infinity;
    };
    let most = 0;
    for (let f = 0; f < faceCount(mesh); f++) {
      const row = mesh.faceVertices.subarray(mesh.faceStart[f], mesh.faceStart[f + 1]);
      row.forEach((v, i) => (most = Math.max(most, distance(v, row[(i + 1) % row.length]))));
      if (row.length === 4)
        most = Math.max(most, Math.min(distance(row[0], row[2]), distance(row[1], row[3]), offPlane([...row])));
    }
    return most;
  }

  #pointsOf(mesh: PolygonMesh): { rows: PointRows; points: MeshPoints } {
    if (this.#last?.mesh !== mesh) {
      const rows = meshRows({ ...this.#shaped, mesh });
      this.#last = { mesh, rows, points: meshPoints(rows) };
    }
    return this.#last;
  }

  #straying(images: Float64Array, points: MeshPoints) {
    const wavy = this.#chain.featureMm / 2;
    const most = (a: number, b: number, off: (place: Vec3) => number): number => {
      const at = (share: number): number => off(this.#chain.near(points.between(a, b, share)));
      const middle = at(0.5);
      // where a wave fits between, its middle may lie on the line by chance
      return wavy < Infinity && points.distance(a, b) > wavy ? Math.max(middle, at(0.25), at(0.75)) : middle;
    };
    return {
      line: (a: number, b: number): number => most(a, b, (place) => distanceToRow(images, place, 3 * a, 3 * b)),
      plane: ({ normal, far }: Plane, a: number, b: number): number =>
        most(a, b, (place) => Math.abs(dot(normal, place) - far)),
    };
  }
}

const NEVER = (): boolean => false;

interface Plane {
  normal: Vec3;
  far: number;
}

/** The plane of a face by its corners' images; undefined where those lie in none. */
function planeOf(images: Float64Array, face: readonly number[], within: number): Plane | undefined {
  const first: Vec3 = [images[3 * face[0]], images[3 * face[0] + 1], images[3 * face[0] + 2]];
  let sum: Vec3 = [0, 0, 0];
  for (let i = 1; i + 1 < face.length; i++)
    sum = plus(sum, areaVector(images, 3 * face[0], 3 * face[i], 3 * face[i + 1]));
  const size = sizeOf(sum);
  if (!(size > 0)) return undefined;
  const normal: Vec3 = [sum[0] / size, sum[1] / size, sum[2] / size];
  const far = dot(normal, first);
  const [x, y, z] = normal;
  for (let i = 0; i < face.length; i++) {
    const v = 3 * face[i];
    // as `dot` adds them up
    if (Math.abs(x * images[v] + y * images[v + 1] + z * images[v + 2] - far) > within) return undefined;
  }
  return { normal, far };
}

/** Of a face's width: what its edges may stray, so that it does not come to lie on what is beyond it. */
const OF_WIDTH = 0.2;
/** Of the tolerance: narrower faces are not made finer for it. */
const NARROWEST = 0.005;

/** What the edge that begins at a corner may stray by the faces on both sides, mm; undefined: as any other. */
function narrowEdge(mesh: SplitMesh, corner: number, toleranceMm: number): number | undefined {
  const other = mesh.twin.at(corner);
  const length = Math.sqrt(
    distanceSquared(mesh.positions.rows(), 3 * mesh.vertex.at(corner), 3 * mesh.vertex.at(mesh.next(corner))),
  );
  const sides = other < 0 ? [corner] : [corner, other];
  const may = sides.map((c) => mayStray(mesh.areaOf(mesh.face.at(c)), mesh.size.at(mesh.face.at(c)), length));
  const least = Math.min(...may);
  return least < toleranceMm ? Math.max(NARROWEST * toleranceMm, least) : undefined;
}

/** A triangle is half as wide as a quad of its area. */
const mayStray = (area: number, corners: number, length: number): number =>
  (OF_WIDTH * (corners === 3 ? 2 : 1) * area) / length;

/** What edges of narrow faces may stray, mm; undefined for others. */
function narrowEdges(mesh: PolygonMesh, toleranceMm: number): (a: number, b: number) => number | undefined {
  const known = new Map<number, number>();
  const areas = faceAreaVectors(mesh);
  for (let f = 0; f < faceCount(mesh); f++) {
    const area = sizeOf([areas[3 * f], areas[3 * f + 1], areas[3 * f + 2]]);
    const corners = faceCorners(mesh, f);
    for (const c of corners) {
      const [a, b] = [mesh.faceVertices[c], mesh.faceVertices[nextCorner(mesh, f, c)]];
      const may = mayStray(area, corners.length, Math.sqrt(distanceSquared(mesh.positions, 3 * a, 3 * b)));
      if (!(may < toleranceMm)) continue;
      const edge = edgeOf(mesh, a, b);
      known.set(edge, Math.max(NARROWEST * toleranceMm, Math.min(may, known.get(edge) ?? Infinity)));
    }
  }
  return (a, b) => known.get(edgeOf(mesh, a, b));
}

/** From a place to the line through two rows. */
function distanceToRow(p: Float64Array, [x, y, z]: Vec3, a: number, b: number): number {
  const [ax, ay, az] = [x - p[a], y - p[a + 1], z - p[a + 2]];
  const [bx, by, bz] = [p[b] - p[a], p[b + 1] - p[a + 1], p[b + 2] - p[a + 2]];
  const length = bx * bx + by * by + bz * bz;
  const share = length > 0 ? (ax * bx + ay * by + az * bz) / length : 0;
  const [dx, dy, dz] = [ax - share * bx, ay - share * by, az - share * bz];
  return Math.sqrt(dx * dx + dy * dy + dz * dz);
}

/** The farthest that edges and diagonals of a flat mesh stray from the shaped surface, mm. */
export const strayOf = (shaped: Shaped, chain: ShapeChain): number => new Images(shaped, chain).most(shaped.mesh);

/**
 * Of the piece's diagonal: a face with more than four corners that leaves its plane by more looks different wherever it
 * is triangulated.
 */
const UNEVEN = 5e-6;
