import { SLIVER_SINE } from '../check/index.ts';
import { dot, unit, type Vec3 } from '../math/index.ts';
import { areaVector } from '../mesh/index.ts';
import type { CutTriangles } from './readOut.ts';
import type { Sorted } from './sortOut.ts';
import { faceOfGroup, type CutSource } from './source.ts';

/** The triangles that a cut has touched, with who is beside whom. Changes write through to what was cut. */
export class TouchedSurface {
  readonly cut: CutTriangles;
  /** vertices of faces that are not to move */
  readonly fixed = new Set<number>();
  readonly #triangles: number[];
  /** triangles at a vertex */
  readonly #rings: number[][] = [];
  readonly #removed: Uint8Array;
  /** per triangle: row of its flat face, and the normals of those rows */
  readonly #group: Uint32Array;
  readonly #normals: Vec3[] = [];
  readonly #wholeEdges = new Set<number>();

  constructor(cut: CutTriangles, { whole, touched }: Sorted, sources: ReadonlyMap<number, CutSource>) {
    this.cut = cut;
    this.#triangles = [...touched];
    this.#removed = new Uint8Array(cut.source.length);
    this.#group = new Uint32Array(cut.source.length);
    const rows = new Map<number, number>();
    for (const t of touched) {
      for (let c = 3 * t; c < 3 * t + 3; c++) (this.#rings[cut.vertices[c]] ??= []).push(t);
      const name = cut.source[t] * 2 ** 32 + cut.group[t];
      let row = rows.get(name);
      if (row === undefined) {
        rows.set(name, (row = rows.size));
        this.#normals.push(groupNormal(cut, t, sources.get(cut.source[t]) as CutSource));
      }
      this.#group[t] = row;
    }
    for (const { vertices } of whole)
      vertices.forEach((v, i) => {
        const w = vertices[(i + 1) % vertices.length];
        if (this.ringOf(v).length === 0) return;
        this.fixed.add(v);
        if (this.ringOf(w).length > 0) this.#wholeEdges.add(this.#key(v, w)).add(this.#key(w, v));
      });
  }

  /** Triangles at a vertex. */
  ringOf = (v: number): readonly number[] => this.#rings[v] ?? NONE;

  left(): number[] {
    return this.#triangles.filter((t) => !this.isGone(t));
  }

  slivers(): number {
    return this.left().filter((t) => this.isSliver(t)).length;
  }

  /** The flat face that a triangle is a part of. */
  groupOf = (t: number): number => this.#group[t];

  /** Whether two triangles are parts of one flat face, seen from the same side. */
  isOneFace = (t: number, u: number): boolean =>
    this.#group[t] === this.#group[u] && this.cut.isTurned[t] === this.cut.isTurned[u];

  /** Of the group, as it is seen in the result; of length 1. */
  normalOf = (t: number): Vec3 => this.#normals[this.#group[t]];

  isGone = (t: number): boolean => this.#removed[t] === 1;
  isSliver = (t: number): boolean => this.quality(...this.cornersOf(t)) < SLIVER_SINE;
  cornersOf = (t: number): [number, number, number] => [
    this.cut.vertices[3 * t],
    this.cut.vertices[3 * t + 1],
    this.cut.vertices[3 * t + 2],
  ];

  place(v: number): Vec3 {
    const p = this.cut.places;
    return [p[3 * v], p[3 * v + 1], p[3 * v + 2]];
  }

  /** Sine of the smallest angle: the doubled area over the product of the two longest sides. */
  quality(a: number, b: number, c: number): number {
    const { places } = this.cut;
    const [x, y, z] = areaVector(places, 3 * a, 3 * b, 3 * c);
    const [p, q, r] = [between(places, a, b), between(places, b, c), between(places, c, a)];
    const product = (p * q * r) / Math.min(p, q, r);
    return product > 0 ? Math.sqrt((x * x + y * y + z * z) / product) : 0;
  }

  /** How far a triangle faces as its group does: below zero it is turned over. */
  facing(normal: Vec3, a: number, b: number, c: number): number {
    return dot(normal, areaVector(this.cut.places, 3 * a, 3 * b, 3 * c));
  }

  /** Corner whose edge runs from one vertex to another; undefined where no touched triangle has it. */
  edge(from: number, to: number): number | undefined {
    const { vertices } = this.cut;
    for (const t of this.ringOf(from))
      for (let c = 3 * t; c < 3 * t + 3; c++) if (vertices[c] === from && vertices[next(c)] === to) return c;
    return undefined;
  }

  hasEdge(a: number, b: number): boolean {
    if (this.edge(a, b) !== undefined || this.edge(b, a) !== undefined) return true;
    return this.fixed.has(a) && this.#wholeEdges.has(this.#key(a, b));
  }

  /** Gives a triangle other corners, with the numbers that go with them. */
  set(t: number, corners: readonly (readonly [vertex: number, number: number])[]): void {
    this.#unlink(t);
    this.#put(t, corners);
  }

  /** One more triangle in the face of another one, in a row that has room for it. */
  add(t: number, beside: number, corners: readonly (readonly [vertex: number, number: number])[]): void {
    const { source, group, isTurned } = this.cut;
    source[t] = source[beside];
    group[t] = group[beside];
    isTurned[t] = isTurned[beside];
    this.#group[t] = this.#group[beside];
    this.#triangles.push(t);
    this.#put(t, corners);
  }

  remove(t: number): void {
    this.#unlink(t);
    this.#removed[t] = 1;
  }

  #put(t: number, corners: readonly (readonly [vertex: number, number: number])[]): void {
    corners.forEach(([vertex, number], k) => {
      this.cut.vertices[3 * t + k] = vertex;
      this.cut.numbers[3 * t + k] = number;
      (this.#rings[vertex] ??= []).push(t);
    });
  }

  #unlink(t: number): void {
    for (let c = 3 * t; c < 3 * t + 3; c++) {
      const row = this.#rings[this.cut.vertices[c]];
      row.splice(row.indexOf(t), 1);
    }
  }

  #key = (a: number, b: number): number => (a * this.cut.places.length) / 3 + b;
}

const NONE: readonly number[] = [];

/** Squared distance of two vertices. */
function between(p: Float64Array, a: number, b: number): number {
  const [x, y, z] = [p[3 * a] - p[3 * b], p[3 * a + 1] - p[3 * b + 1], p[3 * a + 2] - p[3 * b + 2]];
  return x * x + y * y + z * z;
}

export const next = (corner: number): number => (corner % 3 === 2 ? corner - 2 : corner + 1);

/** From the source, where the face has not been cut to pieces. */
function groupNormal({ group, isTurned }: CutTriangles, t: number, source: CutSource): Vec3 {
  const { mesh, triangles, groups } = source;
  const sum: Vec3 = [0, 0, 0];
  const face = faceOfGroup(source, group[t]);
  const first = firstTriangle(source, face);
  for (let s = first; s < groups.length && triangles.face[s] === face; s++) {
    if (groups[s] !== group[t]) continue;
    const [a, b, c] = [0, 1, 2].map((k) => 3 * mesh.faceVertices[triangles.corners[3 * s + k]]);
    areaVector(mesh.positions, a, b, c).forEach((v, k) => (sum[k] += v));
  }
  const side = isTurned[t] ? -1 : 1;
  return unit(sum.map((v) => side * v) as Vec3);
}

/** Triangles of one face follow one another, in the order of the faces. */
function firstTriangle({ triangles: { face } }: CutSource, wanted: number): number {
  let [low, high] = [0, face.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (face[middle] < wanted) low = middle + 1;
    else high = middle;
  }
  return low;
}
