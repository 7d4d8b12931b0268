import type { Box3, Vec3 } from '../math/index.ts';
import { faceCount, type PolygonMesh } from '../mesh/index.ts';

/** Across, along and up, each of length 1. */
export type Axes = readonly [Vec3, Vec3, Vec3];

export const UPRIGHT: Axes = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
];

/** How far along an axis a place lies; `v`: where its three numbers begin. */
export const along = (axis: Vec3, p: ArrayLike<number>, v: number): number =>
  axis[0] * p[v] + axis[1] * p[v + 1] + axis[2] * p[v + 2];

/** Boxes of faces along some axes, each worked out when it is asked for. */
export class FaceBoxes {
  readonly #mesh: PolygonMesh;
  readonly #axes: Axes;
  /** six numbers a face: least and most along each axis */
  readonly #boxes: Float64Array;

  constructor(mesh: PolygonMesh, axes: Axes) {
    this.#mesh = mesh;
    this.#axes = axes;
    this.#boxes = new Float64Array(6 * faceCount(mesh)).fill(NaN);
  }

  /** Along the last axis. */
  lowest(f: number): number {
    this.#have(f);
    return this.#boxes[6 * f + 4];
  }

  /** In the first so many axes. */
  overlaps(f: number, { low, high }: Box3, count: 2 | 3): boolean {
    this.#have(f);
    for (let k = 0; k < count; k++)
      if (this.#boxes[6 * f + 2 * k] > high[k] || this.#boxes[6 * f + 2 * k + 1] < low[k]) return false;
    return true;
  }

  /** Per face 1 where its box meets another one. */
  near(box: Box3): Uint8Array {
    return Uint8Array.from({ length: this.#boxes.length / 6 }, (_, f) => (this.overlaps(f, box, 3) ? 1 : 0));
  }

  #have(f: number): void {
    const boxes = this.#boxes;
    if (!Number.isNaN(boxes[6 * f])) return;
    const { positions, faceStart, faceVertices } = this.#mesh;
    for (let k = 0; k < 3; k++) {
      let [low, high] = [Infinity, -Infinity];
      for (let c = faceStart[f]; c < faceStart[f + 1]; c++) {
        const value = along(this.#axes[k], positions, 3 * faceVertices[c]);
        if (value < low) low = value;
        if (value > high) high = value;
      }
      boxes[6 * f + 2 * k] = low;
      boxes[6 * f + 2 * k + 1] = high;
    }
  }
}
