import type { PolygonMesh } from './polygonMesh.ts';

/** Collects faces anew over a mesh's vertices and regions. */
export class FaceRows {
  readonly #start: number[] = [0];
  readonly #vertices: number[] = [];
  readonly #sharp: number[] = [];
  readonly #region: number[] = [];

  /** `sharp`: of the edge that begins at each vertex */
  push(vertices: readonly number[], sharp: readonly number[], region: number): void {
    for (const v of vertices) this.#vertices.push(v);
    for (const mark of sharp) this.#sharp.push(mark);
    this.#start.push(this.#vertices.length);
    this.#region.push(region);
  }

  over({ positions, regions }: Pick<PolygonMesh, 'positions' | 'regions'>): PolygonMesh {
    return {
      positions,
      faceStart: Uint32Array.from(this.#start),
      faceVertices: Uint32Array.from(this.#vertices),
      sharp: Uint8Array.from(this.#sharp),
      region: Uint32Array.from(this.#region),
      regions,
    };
  }
}
