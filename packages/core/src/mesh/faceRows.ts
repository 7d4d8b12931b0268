import type { PolygonMesh } from './polygonMesh.ts';

/** Collects faces anew out of a mesh's corners; each keeps its mark and its texture coordinates. */
export class FaceRows {
  readonly #source: PolygonMesh;
  readonly #start: number[] = [0];
  readonly #corners: number[] = [];
  readonly #sharp: number[] = [];
  readonly #region: number[] = [];

  constructor(source: PolygonMesh) {
    this.#source = source;
  }

  /** `sharp`: of the edge that begins at each corner, where it is no longer what it was */
  push(corners: readonly number[], region: number, sharp?: readonly number[]): void {
    corners.forEach((corner, i) => {
      this.#corners.push(corner);
      this.#sharp.push(sharp ? sharp[i] : this.#source.sharp[corner]);
    });
    this.#start.push(this.#corners.length);
    this.#region.push(region);
  }

  /** A face as it is. */
  keep(face: number): void {
    const { faceStart, sharp, region } = this.#source;
    for (let c = faceStart[face]; c < faceStart[face + 1]; c++) {
      this.#corners.push(c);
      this.#sharp.push(sharp[c]);
    }
    this.#start.push(this.#corners.length);
    this.#region.push(region[face]);
  }

  finish(): PolygonMesh {
    const { positions, faceVertices, uv, regions } = this.#source;
    return {
      positions,
      faceStart: new Uint32Array(this.#start),
      faceVertices: new Uint32Array(this.#corners).map((c) => faceVertices[c]),
      sharp: new Uint8Array(this.#sharp),
      ...(uv && { uv: uvOf(uv, this.#corners) }),
      region: new Uint32Array(this.#region),
      regions,
    };
  }
}

/** Texture coordinates of some corners. */
export function uvOf(uv: Float32Array, corners: ArrayLike<number>): Float32Array {
  const taken = new Float32Array(2 * corners.length);
  for (let i = 0; i < corners.length; i++) {
    taken[2 * i] = uv[2 * corners[i]];
    taken[2 * i + 1] = uv[2 * corners[i] + 1];
  }
  return taken;
}
