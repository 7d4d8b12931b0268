import { foldedFrom } from './foldedQuad.ts';
import type { Part, PolygonMesh, Region } from './polygonMesh.ts';

/** Collects vertices and faces; regions are kept once each. */
export class MeshBuilder {
  readonly #positions: number[] = [];
  readonly #faceStart: number[] = [0];
  readonly #faceVertices: number[] = [];
  readonly #region: number[] = [];
  readonly #regions: Region[] = [];

  get vertexCount(): number {
    return this.#positions.length / 3;
  }

  vertex(x: number, y: number, z: number): number {
    this.#positions.push(x, y, z);
    return this.#positions.length / 3 - 1;
  }

  /** Row of the region table, made when it is new. The table is short; who asks often keeps the row. */
  region(part: Part, letter: number, contour: number, paint?: number): number {
    const found = this.#regions.findIndex(
      (r) => r.contour === contour && r.letter === letter && r.part === part && r.paint === paint,
    );
    return found >= 0
      ? found
      : this.#regions.push({ part, letter, contour, ...(paint !== undefined && { paint }) }) - 1;
  }

  /** The next corner of the face being made; `endFace` ends it. */
  corner(vertex: number): void {
    this.#faceVertices.push(vertex);
  }

  endFace(region: number): void {
    this.#faceStart.push(this.#faceVertices.length);
    this.#region.push(region);
  }

  face(vertices: ArrayLike<number>, region: number): void {
    for (let i = 0; i < vertices.length; i++) this.#faceVertices.push(vertices[i]);
    this.endFace(region);
  }

  /** Where to cut a quad of vertices here that is folded; undefined where it is not. */
  foldedFrom(quad: readonly number[]): 0 | 1 | undefined {
    return foldedFrom(this.#positions, quad);
  }

  finish(): PolygonMesh {
    return {
      positions: new Float64Array(this.#positions),
      faceStart: new Uint32Array(this.#faceStart),
      faceVertices: new Uint32Array(this.#faceVertices),
      sharp: new Uint8Array(this.#faceVertices.length),
      region: new Uint32Array(this.#region),
      regions: this.#regions,
    };
  }
}
