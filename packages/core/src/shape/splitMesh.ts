import { sizeOf, type Vec3 } from '../math/index.ts';
import {
  adjacency,
  areaVector,
  BLENDING,
  COLUMNS,
  faceCount,
  Grown,
  vertexCount,
  type PolygonMesh,
} from '../mesh/index.ts';
import type { PointRows } from './meshPoints.ts';

/** A corner of a new face: an old one, the middle of the edge that begins at it, or the middle of its face. */
export interface SplitPlace {
  vertex: number;
  /** corners that it lies in the middle of */
  from: readonly number[];
  /** of the edge that begins here, while it runs along the old face's border */
  sharp: number;
  /** the corner whose whole edge begins here; -1: there is no such edge any more */
  edgeOf: number;
}

const whole = (length: number): Uint32Array => new Uint32Array(length);
const signed = (length: number): Int32Array => new Int32Array(length);
const bytes = (length: number): Uint8Array => new Uint8Array(length);

/** More vertices no mesh has: two of their numbers make one that a double holds. */
const MOST_VERTICES = 2 ** 26;

interface CornerColumn {
  name: (typeof BLENDING)[number];
  arity: number;
  values: Grown<Float32Array | Float64Array | Uint8Array>;
}

/**
 * A mesh whose faces are cut in pieces round after round, each round for no more than what it cuts. Numbers of
 * vertices, corners and faces only grow; a face that was cut lives on in its pieces, in its place.
 */
export class SplitMesh {
  readonly #mesh: PolygonMesh;
  readonly positions: Grown<Float64Array>;
  readonly #letter: Grown<Int32Array>;
  readonly #isFront: Grown<Uint8Array>;
  /** of corners */
  readonly vertex: Grown<Uint32Array>;
  readonly twin: Grown<Int32Array>;
  readonly face: Grown<Uint32Array>;
  readonly sharp: Grown<Uint8Array>;
  readonly #columns: readonly CornerColumn[];
  /** of faces */
  readonly first: Grown<Uint32Array>;
  readonly size: Grown<Uint32Array>;
  readonly #region: Grown<Uint32Array>;
  /** face of the first mesh that a face is a piece of, and its place among its pieces */
  readonly #root: Grown<Uint32Array>;
  readonly #place: Grown<Uint32Array>;
  readonly #pieces = new Map<number, number[]>();
  /** faces that there are */
  faces: number;

  constructor(mesh: PolygonMesh, { letter, isFront }: Pick<PointRows, 'letter' | 'isFront'>) {
    this.#mesh = mesh;
    this.faces = faceCount(mesh);
    this.positions = new Grown((length) => new Float64Array(length), mesh.positions);
    this.#letter = new Grown(signed, letter);
    this.#isFront = new Grown(bytes, isFront);
    this.vertex = new Grown(whole, mesh.faceVertices);
    this.sharp = new Grown(bytes, mesh.sharp);
    const beside = adjacency(mesh);
    this.face = new Grown(whole, beside.face);
    // neighbours are told of new ones in their place
    this.twin = new Grown(signed, beside.twin.slice());
    this.#columns = BLENDING.flatMap((name) => {
      const { scope, arity, make } = COLUMNS[name];
      const held = mesh[name];
      return held && scope === 'corner' ? [{ name, arity, values: new Grown(make, held) }] : [];
    });
    this.first = new Grown(whole, mesh.faceStart.slice(0, -1));
    this.size = new Grown(
      whole,
      mesh.faceStart.slice(0, -1).map((start, f) => mesh.faceStart[f + 1] - start),
    );
    this.#region = new Grown(whole, mesh.region);
    const numbers = mesh.region.map((_, f) => f);
    this.#root = new Grown(whole, numbers);
    this.#place = new Grown(whole, new Uint32Array(this.faces));
  }

  /** Its vertices, as a chain needs to know them; good until the next round. */
  points(letters: Pick<PointRows, 'letters' | 'feet'>): PointRows {
    return {
      ...{ count: this.positions.size / 3, rest: this.positions.rows() },
      ...{ letter: this.#letter.rows(), isFront: this.#isFront.rows() },
      ...{ letters: letters.letters, feet: letters.feet },
    };
  }

  /** Corner after a corner, round its face. */
  next(c: number): number {
    const f = this.face.at(c);
    const first = this.first.at(f);
    return c + 1 < first + this.size.at(f) ? c + 1 : first;
  }

  /** Below zero where the first face comes before the second. */
  compare = (f: number, g: number): number =>
    this.#root.at(f) - this.#root.at(g) || this.#place.at(f) - this.#place.at(g);

  /** Of a face, square mm; by Newell's sum about its first corner. */
  areaOf(f: number): number {
    const first = this.first.at(f);
    const p = this.positions.rows();
    const sum = [0, 0, 0];
    for (let c = first + 1; c + 1 < first + this.size.at(f); c++)
      areaVector(p, 3 * this.vertex.at(first), 3 * this.vertex.at(c), 3 * this.vertex.at(c + 1)).forEach(
        (v, k) => (sum[k] += v),
      );
    return sizeOf(sum.map((v) => v / 2) as Vec3);
  }

  vertexAt(place: readonly number[]): number {
    for (let k = 0; k < 3; k++) this.positions.push(place[k]);
    this.#letter.push(-1);
    this.#isFront.push(1);
    return this.positions.size / 3 - 1;
  }

  /** A piece of a face; its edges have no neighbours yet. */
  piece(row: readonly SplitPlace[], of: number): number {
    const f = this.first.size;
    this.first.push(this.vertex.size);
    this.size.push(row.length);
    this.#region.push(this.#region.at(of));
    this.#root.push(this.#root.at(of));
    this.#place.push(0);
    for (const { vertex, from, sharp } of row) {
      this.vertex.push(vertex);
      this.sharp.push(sharp);
      this.face.push(f);
      this.twin.push(-1);
      for (const { arity, values } of this.#columns)
        for (let k = 0; k < arity; k++)
          values.push(from.reduce((sum, c) => sum + values.at(arity * c + k), 0) / from.length);
    }
    this.faces++;
    return f;
  }

  /** Its pieces take a face's place. */
  replace(of: number, pieces: readonly number[]): void {
    const root = this.#root.at(of);
    const row = this.#pieces.get(root) ?? [of];
    row.splice(row.indexOf(of), 1, ...pieces);
    this.#pieces.set(root, row);
    row.forEach((f, i) => this.#place.set(f, i));
    this.faces--;
  }

  /** Joins the edges of new faces: with each other, and with what those that they are pieces of had beside them. */
  join(pieces: readonly { face: number; row: readonly SplitPlace[] }[]): void {
    const byEdge = new Map<number, number>();
    const edge = (a: number, b: number): number => a * MOST_VERTICES + b;
    const end = (c: number): number => this.vertex.at(this.next(c));
    for (const { face, row } of pieces)
      row.forEach((_, k) => {
        const c = this.first.at(face) + k;
        byEdge.set(edge(this.vertex.at(c), end(c)), c);
      });
    for (const { face, row } of pieces)
      row.forEach(({ edgeOf }, k) => {
        const c = this.first.at(face) + k;
        const beside = byEdge.get(edge(end(c), this.vertex.at(c)));
        const other = beside ?? (edgeOf < 0 ? -1 : this.twin.at(edgeOf));
        this.twin.set(c, other);
        if (other >= 0) this.twin.set(other, c);
      });
  }

  /** What is known of vertices from a number on, by the faces around them. */
  markFrom(vertex: number, pieces: readonly { face: number }[]): void {
    for (const { face } of pieces) {
      const { part, letter } = this.#mesh.regions[this.#region.at(face)];
      const isFlat = part === 'front' || part === 'back';
      for (let c = this.first.at(face); c < this.first.at(face) + this.size.at(face); c++) {
        const v = this.vertex.at(c);
        if (v < vertex) continue;
        if (!isFlat) this.#isFront.set(v, 0);
        if (letter > this.#letter.at(v)) this.#letter.set(v, letter);
      }
    }
  }

  finish(): PolygonMesh {
    const mesh = this.#mesh;
    if (this.positions.size / 3 === vertexCount(mesh) && this.#pieces.size === 0) return mesh;
    const faces = Array.from(mesh.region, (_, f) => this.#pieces.get(f) ?? [f]).flat();
    const faceStart = new Uint32Array(faces.length + 1);
    faces.forEach((f, i) => (faceStart[i + 1] = faceStart[i] + this.size.at(f)));
    const corners = new Uint32Array(faceStart[faces.length]);
    faces.forEach((f, i) => {
      for (let k = 0; k < this.size.at(f); k++) corners[faceStart[i] + k] = this.first.at(f) + k;
    });
    const columns = this.#columns.map(({ name, arity, values }) => {
      const made = COLUMNS[name].make(arity * corners.length);
      for (let i = 0; i < made.length; i++) made[i] = values.at(arity * corners[Math.floor(i / arity)] + (i % arity));
      return [name, made] as const;
    });
    return {
      positions: this.positions.finish(),
      faceStart,
      faceVertices: corners.map((c) => this.vertex.at(c)),
      sharp: Uint8Array.from(corners, (c) => this.sharp.at(c)),
      ...Object.fromEntries(columns),
      region: Uint32Array.from(faces, (f) => this.#region.at(f)),
      regions: mesh.regions,
    };
  }
}
