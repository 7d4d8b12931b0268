import { SLIVER_SINE } from '../check/index.ts';
import { cross, dot, minus, sizeOf, unit, type Vec3 } from '../math/index.ts';
import { areaVector } from '../mesh/index.ts';
import type { CutTriangles } from './readOut.ts';
import type { Sorted } from './sortOut.ts';
import { faceOfGroup, type Source } from './source.ts';

/** The triangles that a cut has touched, with who is beside whom. Changes write through to what was cut. */
export class TouchedSurface {
  readonly cut: CutTriangles;
  /** triangles at a vertex */
  readonly at = new Map<number, number[]>();
  /** vertices of faces that are not to move */
  readonly fixed = new Set<number>();
  readonly #removed = new Set<number>();
  readonly #triangles: readonly number[];
  /** corner that starts each edge, by its ends */
  readonly #edges = new Map<number, number>();
  readonly #wholeEdges = new Set<number>();
  readonly #vertices: number;
  readonly #normals = new Map<number, Vec3>();

  constructor(cut: CutTriangles, { whole, touched }: Sorted, sources: ReadonlyMap<number, Source>) {
    this.cut = cut;
    this.#triangles = touched;
    this.#vertices = cut.places.length / 3;
    for (const t of touched) {
      for (let c = 3 * t; c < 3 * t + 3; c++) {
        this.#edges.set(this.#key(cut.vertices[c], cut.vertices[next(c)]), c);
        const row = this.at.get(cut.vertices[c]);
        if (row) row.push(t);
        else this.at.set(cut.vertices[c], [t]);
      }
      const name = this.groupOf(t);
      if (!this.#normals.has(name)) this.#normals.set(name, groupNormal(cut, t, sources.get(cut.source[t]) as Source));
    }
    for (const { vertices } of whole)
      vertices.forEach((v, i) => {
        const w = vertices[(i + 1) % vertices.length];
        if (this.at.has(v)) this.fixed.add(v);
        if (this.at.has(v) && this.at.has(w)) this.#wholeEdges.add(this.#key(v, w)).add(this.#key(w, v));
      });
  }

  left(): number[] {
    return this.#triangles.filter((t) => !this.#removed.has(t));
  }

  slivers(): number {
    return this.left().filter((t) => this.isSliver(t)).length;
  }

  /** The flat face that a triangle is a part of. */
  groupOf(t: number): number {
    return this.cut.source[t] * 2 ** 32 + this.cut.group[t];
  }

  /** Of the group, as it is seen in the result; of length 1. */
  normalOf(t: number): Vec3 {
    return this.#normals.get(this.groupOf(t)) as Vec3;
  }

  isGone = (t: number): boolean => this.#removed.has(t);
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
    const [p, q, r] = [a, b, c].map((v) => this.place(v));
    const sides = [sizeOf(minus(q, p)), sizeOf(minus(r, q)), sizeOf(minus(p, r))].sort((x, y) => y - x);
    const product = sides[0] * sides[1];
    return product > 0 ? sizeOf(cross(minus(q, p), minus(r, p))) / product : 0;
  }

  /** How far a triangle faces as its group does: below zero it is turned over. */
  facing(normal: Vec3, a: number, b: number, c: number): number {
    return dot(normal, areaVector(this.cut.places, 3 * a, 3 * b, 3 * c));
  }

  /** Corner whose edge runs from one vertex to another; undefined where no touched triangle has it. */
  edge(from: number, to: number): number | undefined {
    return this.#edges.get(this.#key(from, to));
  }

  hasEdge(a: number, b: number): boolean {
    return this.edge(a, b) !== undefined || this.edge(b, a) !== undefined || this.#wholeEdges.has(this.#key(a, b));
  }

  /** Gives a triangle other corners, with the numbers that go with them. */
  set(t: number, corners: readonly (readonly [vertex: number, number: number])[]): void {
    this.#unlink(t);
    corners.forEach(([vertex, number], k) => {
      this.cut.vertices[3 * t + k] = vertex;
      this.cut.numbers[3 * t + k] = number;
    });
    for (let c = 3 * t; c < 3 * t + 3; c++) {
      this.#edges.set(this.#key(this.cut.vertices[c], this.cut.vertices[next(c)]), c);
      (this.at.get(this.cut.vertices[c]) as number[]).push(t);
    }
  }

  remove(t: number): void {
    this.#unlink(t);
    this.#removed.add(t);
  }

  #unlink(t: number): void {
    for (let c = 3 * t; c < 3 * t + 3; c++) {
      const key = this.#key(this.cut.vertices[c], this.cut.vertices[next(c)]);
      if (this.#edges.get(key) === c) this.#edges.delete(key);
      const row = this.at.get(this.cut.vertices[c]) as number[];
      row.splice(row.indexOf(t), 1);
    }
  }

  #key = (a: number, b: number): number => a * this.#vertices + b;
}

export const next = (corner: number): number => (corner % 3 === 2 ? corner - 2 : corner + 1);

/** From the source, where the face has not been cut to pieces. */
function groupNormal({ group, isTurned }: CutTriangles, t: number, source: Source): Vec3 {
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
function firstTriangle({ triangles: { face } }: Source, wanted: number): number {
  let [low, high] = [0, face.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (face[middle] < wanted) low = middle + 1;
    else high = middle;
  }
  return low;
}
