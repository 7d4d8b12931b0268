import {
  adjacency,
  distanceSquared,
  faceCorners,
  faceCount,
  keptBy,
  MeshSink,
  nextCorner,
  triangulate,
  type Adjacency,
  type PolygonMesh,
} from '../mesh/index.ts';
import { evenTriangles } from './evenTriangles.ts';

/** Of a mesh under a chain of steps. */
export interface Far {
  /** whether the middle between two vertices strays from the line between their images */
  edge: (a: number, b: number) => boolean;
  /** the same of lines through a face, which may stray as long as they do not leave the plane of a flat one */
  within: (face: readonly number[]) => (a: number, b: number) => boolean;
}

const ROUNDS = 30;

/**
 * Cuts edges in half until none is far, faces with them: quads with two opposite halves into two quads, with four about
 * their middle, all others into triangles. New points lie on the faces that they cut. `far` tells of a mesh which of
 * its edges are; `most` faces are made. Gives the mesh and whether edges are left that are far.
 */
export function splitFar(
  mesh: PolygonMesh,
  far: (mesh: PolygonMesh) => Far,
  most: number,
): { mesh: PolygonMesh; isLeft: boolean } {
  let cut = triangulateFar(mesh, far(mesh));
  // edges of faces that were there before have been looked at
  let fresh = new Uint8Array(faceCount(cut)).fill(1);
  for (let round = 0; round < ROUNDS; round++) {
    const { twin, face } = adjacency(cut);
    const marked = markFar(cut, far(cut), { twin, face, fresh });
    const count = marked.reduce((sum, one) => sum + one, 0);
    if (count === 0) return { mesh: cut, isLeft: false };
    if (faceCount(cut) + 2 * count > most) break;
    const halving = new Halving(cut, marked, twin);
    cut = halving.run();
    fresh = halving.fresh();
  }
  return { mesh: cut, isLeft: true };
}

/** Faces with more than four corners, as triangles where a diagonal is far. */
function triangulateFar(mesh: PolygonMesh, far: Far): PolygonMesh {
  return triangulateWhere(mesh, (f, triangles) => {
    const isFar = far.within(verticesOf(mesh, f));
    const isBorder = (c: number, to: number): boolean => to === nextCorner(mesh, f, c);
    return triangles.some((row) =>
      row.some((c, k) => {
        const to = row[(k + 1) % 3];
        const is = isBorder(c, to) || isBorder(to, c) ? far.edge : isFar;
        return is(mesh.faceVertices[c], mesh.faceVertices[to]);
      }),
    );
  });
}

const verticesOf = (mesh: PolygonMesh, f: number): number[] => faceCorners(mesh, f).map((c) => mesh.faceVertices[c]);

/**
 * Faces with more than four corners, as their triangles where `isCut` says so. `mesh`: the same faces elsewhere; it is
 * cut as the flat ones are.
 */
export function triangulateWhere(
  flat: PolygonMesh,
  isCut: (face: number, triangles: readonly (readonly number[])[]) => boolean,
  mesh = flat,
): PolygonMesh {
  const rows = new Map([...trianglesOfLarge(flat)].filter(([f, triangles]) => isCut(f, triangles)));
  if (rows.size === 0) return mesh;
  const made = new MeshSink(mesh);
  for (let f = 0; f < faceCount(flat); f++) {
    const triangles = rows.get(f);
    if (!triangles) made.keep(f);
    else
      for (const row of triangles)
        made.face(
          row,
          mesh.region[f],
          row.map((c, k) => (row[(k + 1) % 3] === nextCorner(mesh, f, c) ? mesh.sharp[c] : 0)),
        );
  }
  return made.finish();
}

/** Triangles of the faces with more than four corners, by corners of the mesh. */
const trianglesOfLarge = keptBy((mesh: PolygonMesh): ReadonlyMap<number, number[][]> => {
  const rows = new Map<number, number[][]>();
  const large: number[] = [];
  for (let f = 0; f < faceCount(mesh); f++) if (mesh.faceStart[f + 1] - mesh.faceStart[f] > 4) large.push(f);
  if (large.length === 0) return rows;
  const corners = large.flatMap((f) => faceCorners(mesh, f));
  const starts = [0];
  for (const f of large) starts.push(starts[starts.length - 1] + mesh.faceStart[f + 1] - mesh.faceStart[f]);
  const only = {
    ...mesh,
    faceStart: new Uint32Array(starts),
    faceVertices: new Uint32Array(corners).map((c) => mesh.faceVertices[c]),
  };
  const cut = triangulate(only);
  for (let t = 0; t < cut.face.length; t++) {
    const f = large[cut.face[t]];
    const list = rows.get(f) ?? [];
    list.push([0, 1, 2].map((k) => corners[cut.corners[3 * t + k]]));
    rows.set(f, list);
  }
  return rows;
});

/** Per corner: 1 where the edge that begins there is to be cut. */
function markFar(
  mesh: PolygonMesh,
  far: Far,
  { twin, face, fresh }: Pick<Adjacency, 'twin' | 'face'> & { fresh: Uint8Array },
): Uint8Array {
  const marked = new Uint8Array(twin.length);
  const mark = (c: number): void => {
    marked[c] = 1;
    if (twin[c] >= 0) marked[twin[c]] = 1;
  };
  const end = (c: number): number => mesh.faceVertices[nextCorner(mesh, face[c], c)];
  for (let c = 0; c < twin.length; c++) {
    if (twin[c] >= c) continue;
    const isFresh = fresh[face[c]] === 1 || (twin[c] >= 0 && fresh[face[twin[c]]] === 1);
    if (isFresh && far.edge(mesh.faceVertices[c], end(c))) mark(c);
  }
  const row = [0, 0, 0, 0];
  for (let f = 0; f < faceCount(mesh); f++) {
    const start = mesh.faceStart[f];
    if (fresh[f] === 0 || mesh.faceStart[f + 1] - start !== 4) continue;
    if (marked[start] || marked[start + 1] || marked[start + 2] || marked[start + 3]) continue;
    for (let k = 0; k < 4; k++) row[k] = mesh.faceVertices[start + k];
    const [a, b, c, d] = row;
    const isFar = far.within(row);
    if (!isFar(a, c) && !isFar(b, d)) continue;
    // across its longer sides
    const from =
      lengthBetween(mesh, a, b) + lengthBetween(mesh, c, d) >= lengthBetween(mesh, b, c) + lengthBetween(mesh, d, a)
        ? 0
        : 1;
    mark(start + from);
    mark(start + from + 2);
  }
  markLongest(mesh, marked, mark);
  return marked;
}

/**
 * Of every triangle that is cut its longest edge is cut too (Rivara 1984): halving others alone would make them ever
 * thinner.
 */
function markLongest(mesh: PolygonMesh, marked: Uint8Array, mark: (corner: number) => void): void {
  for (let isDone = false; !isDone;) {
    isDone = true;
    for (let f = 0; f < faceCount(mesh); f++) {
      const start = mesh.faceStart[f];
      if (mesh.faceStart[f + 1] - start !== 3 || !(marked[start] || marked[start + 1] || marked[start + 2])) continue;
      const longest = start + longestOf(mesh, start);
      if (marked[longest]) continue;
      mark(longest);
      isDone = false;
    }
  }
}

/** The first of the longest edges of a triangle whose corners begin here. */
function longestOf(mesh: PolygonMesh, start: number): number {
  const { faceVertices } = mesh;
  const ab = lengthBetween(mesh, faceVertices[start], faceVertices[start + 1]);
  const bc = lengthBetween(mesh, faceVertices[start + 1], faceVertices[start + 2]);
  const ca = lengthBetween(mesh, faceVertices[start + 2], faceVertices[start]);
  if (ab >= bc && ab >= ca) return 0;
  return bc >= ca ? 1 : 2;
}

const lengthBetween = ({ positions }: PolygonMesh, a: number, b: number): number =>
  Math.sqrt(distanceSquared(positions, 3 * a, 3 * b));

/** A corner of a new face: an old one, the middle of the edge that begins at it, or the middle of its face. */
interface SplitPlace {
  vertex: number;
  /** corners that it lies in the middle of */
  from: readonly number[];
  /** of the edge that begins here, while it runs along the old face's border */
  sharp: number;
}

class Halving {
  readonly #mesh: PolygonMesh;
  readonly #marked: Uint8Array;
  readonly #twin: Int32Array;
  readonly #sink: MeshSink;
  readonly #middle: Int32Array;
  readonly #fresh: number[] = [];

  constructor(mesh: PolygonMesh, marked: Uint8Array, twin: Int32Array) {
    this.#mesh = mesh;
    this.#marked = marked;
    this.#twin = twin;
    this.#sink = new MeshSink(mesh);
    this.#middle = new Int32Array(marked.length).fill(-1);
  }

  run(): PolygonMesh {
    const { faceStart } = this.#mesh;
    for (let f = 0; f < faceCount(this.#mesh); f++) {
      if (this.#keep(f)) continue;
      const ring: SplitPlace[] = [];
      const middles: number[] = [];
      for (let c = faceStart[f]; c < faceStart[f + 1]; c++) {
        const next = nextCorner(this.#mesh, f, c);
        const sharp = this.#mesh.sharp[c];
        ring.push({ vertex: this.#mesh.faceVertices[c], from: [c], sharp });
        if (!this.#marked[c]) continue;
        middles.push(ring.length);
        ring.push({ vertex: this.#middleOf(c, next), from: [c, next], sharp });
      }
      this.#cut(ring, middles, f);
    }
    return this.#sink.finish();
  }

  /** A face without a mark, as it is. */
  #keep(f: number): boolean {
    const { faceStart } = this.#mesh;
    for (let c = faceStart[f]; c < faceStart[f + 1]; c++) if (this.#marked[c]) return false;
    this.#sink.keep(f);
    this.#fresh.push(0);
    return true;
  }

  #cut(ring: readonly SplitPlace[], middles: readonly number[], f: number): void {
    const isQuad = ring.length - middles.length === 4;
    const turned = (from: number): SplitPlace[] => [...ring.slice(from), ...ring.slice(0, from)];
    if (isQuad && middles.length === 2 && middles[1] - middles[0] === 3) {
      const row = turned(middles[0]);
      this.#push([row[0], row[1], row[2], inner(row[3])], f);
      return this.#push([inner(row[0]), row[3], row[4], row[5]], f);
    }
    if (isQuad && middles.length === 4) return this.#quarter(ring, f);
    if (ring.length - middles.length > 3) return this.#triangles(ring, f);
    if (middles.length === 3) return this.#fourth(turned(middles[0]), f);
    const row = turned(middles[0]);
    if (middles.length === 1) return this.#halves(row, f);
    // the corner between both middles, and what is left of the triangle by its shorter diagonal
    const a = middles[1] - middles[0] === 2 ? row : turned(middles[1]);
    this.#push([a[0], a[1], inner(a[2])], f);
    const rest = [inner(a[0]), a[2], a[3], a[4]];
    const isFirst = this.#distance(rest[0], rest[2]) <= this.#distance(rest[1], rest[3]);
    if (isFirst) {
      this.#push([rest[0], rest[1], inner(rest[2])], f);
      this.#push([inner(rest[0]), rest[2], rest[3]], f);
    } else {
      this.#push([rest[1], rest[2], inner(rest[3])], f);
      this.#push([inner(rest[1]), rest[3], rest[0]], f);
    }
  }

  /** A triangle with one middle, from which the row begins. */
  #halves([m, a, b, c]: readonly SplitPlace[], f: number): void {
    this.#push([m, a, inner(b)], f);
    this.#push([inner(m), b, c], f);
  }

  /** A triangle with three middles: a row of middle, corner, middle and so on. */
  #fourth(row: readonly SplitPlace[], f: number): void {
    for (const i of [0, 2, 4]) this.#push([row[i], row[i + 1], inner(row[(i + 2) % 6])], f);
    this.#push([inner(row[0]), inner(row[2]), inner(row[4])], f);
  }

  #distance({ vertex: a }: SplitPlace, { vertex: b }: SplitPlace): number {
    const [p, q] = [this.#sink.placeOf(a), this.#sink.placeOf(b)];
    return distanceSquared([...p, ...q], 0, 3);
  }

  /** Of a face that may have straight corners: a fan from a middle would have triangles without an area. */
  #triangles(ring: readonly SplitPlace[], f: number): void {
    const alone: PolygonMesh = {
      ...this.#mesh,
      positions: Float64Array.from(ring.flatMap(({ vertex }) => this.#sink.placeOf(vertex))),
      faceStart: Uint32Array.of(0, ring.length),
      faceVertices: Uint32Array.from(ring, (_, i) => i),
    };
    const corners = evenTriangles(alone.positions) ?? triangulate(alone).corners;
    const isBorder = (from: number, to: number): boolean => to === (from + 1) % ring.length;
    for (let t = 0; t < corners.length; t += 3) {
      const row = [corners[t], corners[t + 1], corners[t + 2]];
      this.#push(
        row.map((c, k) => (isBorder(c, row[(k + 1) % 3]) ? ring[c] : inner(ring[c]))),
        f,
      );
    }
  }

  #quarter(ring: readonly SplitPlace[], f: number): void {
    const corners = [0, 2, 4, 6].map((i) => ring[i]);
    const places = corners.map(({ vertex }) => this.#sink.placeOf(vertex));
    const place = [0, 1, 2].map((k) => places.reduce((sum, p) => sum + p[k], 0) / 4);
    const from = corners.flatMap((corner) => corner.from);
    const vertex = this.#sink.vertexAt(
      place,
      from.map((c) => this.#mesh.faceVertices[c]),
    );
    const centre: SplitPlace = { vertex, from, sharp: 0 };
    for (let i = 0; i < 8; i += 2) this.#push([ring[i], inner(ring[i + 1]), centre, ring[(i + 7) % 8]], f);
  }

  #middleOf(c: number, next: number): number {
    const twin = this.#twin[c];
    if (twin >= 0 && this.#middle[twin] >= 0) return this.#middle[twin];
    const { positions: p, faceVertices } = this.#mesh;
    const [a, b] = [faceVertices[c], faceVertices[next]];
    const place = [0, 1, 2].map((k) => (p[3 * a + k] + p[3 * b + k]) / 2);
    this.#middle[c] = this.#sink.vertexAt(place, [a, b]);
    return this.#middle[c];
  }

  #push(row: readonly SplitPlace[], f: number): void {
    for (const { vertex, from, sharp } of row) this.#sink.corner(vertex, from, sharp);
    this.#sink.endFace(this.#mesh.region[f]);
    this.#fresh.push(1);
  }

  /** Per face that was made: 1 where it is a new one. */
  fresh(): Uint8Array<ArrayBuffer> {
    return new Uint8Array(this.#fresh);
  }
}

/** Where the edge that begins at a place runs through the old face. */
const inner = (place: SplitPlace): SplitPlace => ({ ...place, sharp: 0 });
