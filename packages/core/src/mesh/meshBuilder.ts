import type { Part, PolygonMesh, Region } from './polygonMesh.ts';

/** Collects vertices and faces; regions are kept once each. */
export class MeshBuilder {
  readonly #positions: number[] = [];
  readonly #faceStart: number[] = [0];
  readonly #faceVertices: number[] = [];
  readonly #region: number[] = [];
  readonly #regions: Region[] = [];
  readonly #regionRow = new Map<string, number>();

  get vertexCount(): number {
    return this.#positions.length / 3;
  }

  vertex(x: number, y: number, z: number): number {
    this.#positions.push(x, y, z);
    return this.#positions.length / 3 - 1;
  }

  /** Row of the region table, made when it is new. */
  region(part: Part, letter: number, contour: number): number {
    const key = `${part} ${letter} ${contour}`;
    let row = this.#regionRow.get(key);
    if (row === undefined) {
      row = this.#regions.length;
      this.#regions.push({ part, letter, contour });
      this.#regionRow.set(key, row);
    }
    return row;
  }

  face(vertices: ArrayLike<number>, region: number): void {
    for (let i = 0; i < vertices.length; i++) this.#faceVertices.push(vertices[i]);
    this.#faceStart.push(this.#faceVertices.length);
    this.#region.push(region);
  }

  finish(): PolygonMesh {
    return {
      positions: Float64Array.from(this.#positions),
      faceStart: Uint32Array.from(this.#faceStart),
      faceVertices: Uint32Array.from(this.#faceVertices),
      sharp: new Uint8Array(this.#faceVertices.length),
      region: Uint32Array.from(this.#region),
      regions: this.#regions,
    };
  }
}
