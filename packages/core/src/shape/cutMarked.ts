import { distanceSquared, emptyMesh, triangulate } from '../mesh/index.ts';
import { evenTriangles } from './evenTriangles.ts';
import type { SplitMesh, SplitPlace } from './splitMesh.ts';

/** Cuts the faces that have a marked corner through the middles of the edges that begin there; gives the new faces. */
export function cutMarked(mesh: SplitMesh, marked: ReadonlySet<number>): number[] {
  const faces = [...new Set([...marked].map((c) => mesh.face.at(c)))].sort(mesh.compare);
  const cutting = new Halving(mesh, marked);
  for (const f of faces) cutting.cut(f);
  return cutting.finish();
}

class Halving {
  readonly #mesh: SplitMesh;
  readonly #marked: ReadonlySet<number>;
  readonly #firstVertex: number;
  readonly #middle = new Map<number, number>();
  readonly #made: { face: number; row: readonly SplitPlace[] }[] = [];

  constructor(mesh: SplitMesh, marked: ReadonlySet<number>) {
    this.#mesh = mesh;
    this.#marked = marked;
    this.#firstVertex = mesh.positions.size / 3;
  }

  cut(f: number): void {
    const mesh = this.#mesh;
    const before = this.#made.length;
    const ring: SplitPlace[] = [];
    const middles: number[] = [];
    for (let c = mesh.first.at(f); c < mesh.first.at(f) + mesh.size.at(f); c++) {
      const next = mesh.next(c);
      const isCut = this.#marked.has(c);
      const sharp = mesh.sharp.at(c);
      ring.push({ vertex: mesh.vertex.at(c), from: [c], sharp, edgeOf: isCut ? -1 : c });
      if (!isCut) continue;
      middles.push(ring.length);
      ring.push({ vertex: this.#middleOf(c, next), from: [c, next], sharp, edgeOf: -1 });
    }
    this.#cut(ring, middles, f);
    mesh.replace(
      f,
      this.#made.slice(before).map(({ face }) => face),
    );
  }

  /** Faces that were made, in the order of the mesh. */
  finish(): number[] {
    this.#mesh.join(this.#made);
    this.#mesh.markFrom(this.#firstVertex, this.#made);
    return this.#made.map(({ face }) => face);
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
    return distanceSquared(this.#mesh.positions.rows(), 3 * a, 3 * b);
  }

  #placeOf(vertex: number): number[] {
    const p = this.#mesh.positions.rows();
    return [p[3 * vertex], p[3 * vertex + 1], p[3 * vertex + 2]];
  }

  /** Of a face that may have straight corners: a fan from a middle would have triangles without an area. */
  #triangles(ring: readonly SplitPlace[], f: number): void {
    const positions = Float64Array.from(ring.flatMap(({ vertex }) => this.#placeOf(vertex)));
    const alone = {
      ...emptyMesh(),
      positions,
      faceStart: Uint32Array.of(0, ring.length),
      faceVertices: Uint32Array.from(ring, (_, i) => i),
    };
    const corners = evenTriangles(positions) ?? triangulate(alone).corners;
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
    const places = corners.map(({ vertex }) => this.#placeOf(vertex));
    const place = [0, 1, 2].map((k) => places.reduce((sum, p) => sum + p[k], 0) / 4);
    const from = corners.flatMap((corner) => corner.from);
    const centre: SplitPlace = { vertex: this.#mesh.vertexAt(place), from, sharp: 0, edgeOf: -1 };
    for (let i = 0; i < 8; i += 2) this.#push([ring[i], inner(ring[i + 1]), centre, ring[(i + 7) % 8]], f);
  }

  #middleOf(c: number, next: number): number {
    const { twin, vertex } = this.#mesh;
    const known = this.#middle.get(twin.at(c));
    if (known !== undefined) return known;
    const [p, q] = [this.#placeOf(vertex.at(c)), this.#placeOf(vertex.at(next))];
    const middle = this.#mesh.vertexAt(p.map((v, k) => (v + q[k]) / 2));
    this.#middle.set(c, middle);
    return middle;
  }

  #push(row: readonly SplitPlace[], f: number): void {
    this.#made.push({ face: this.#mesh.piece(row, f), row });
  }
}

/** Where the edge that begins at a place runs through the old face. */
const inner = (place: SplitPlace): SplitPlace => ({ ...place, sharp: 0, edgeOf: -1 });
