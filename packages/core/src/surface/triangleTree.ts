import type { Vec3 } from '../math/index.ts';
import { boxTree, type BoxTree } from '../mesh/index.ts';

/** A place on a triangle: its number, where it lies, and the weights of the triangle's second and third corner. */
export interface SurfacePlace {
  triangle: number;
  at: Vec3;
  v: number;
  w: number;
  /** square mm from what was looked from; along a ray: mm */
  far: number;
}

/**
 * Triangles, nine numbers each, in a tree of boxes; float64. Finds closest places (Ericson 2005, 5.1.5) and where rays
 * hit (Möller and Trumbore 1997).
 */
export class TriangleTree {
  readonly #tree: BoxTree;
  readonly #corners: Float64Array;
  readonly #boxes: Float64Array;
  readonly #stack = new Int32Array(256);
  /** of the place that was found last */
  #v = 0;
  #w = 0;
  #x = 0;
  #y = 0;
  #z = 0;

  constructor(corners: Float64Array) {
    this.#corners = corners;
    this.#boxes = boxesOf(corners);
    this.#tree = boxTree(this.#boxes);
  }

  /**
   * The closest place; with a triangle that is likely near, much is left out from the start. Undefined where there are
   * no triangles.
   */
  closest([x, y, z]: Vec3, hint = -1): SurfacePlace | undefined {
    if (this.#corners.length === 0) return undefined;
    const { bounds, child, first, last, order } = this.#tree;
    const boxes = this.#boxes;
    const found: SurfacePlace = { triangle: -1, at: [0, 0, 0], v: 0, w: 0, far: Infinity };
    if (hint >= 0) this.#look(found, hint, x, y, z);
    let far = found.far;
    const stack = this.#stack;
    let top = 0;
    stack[top++] = 0;
    while (top > 0) {
      const node = stack[--top];
      if (boxFar(bounds, 6 * node, x, y, z) >= far) continue;
      const c = child[node];
      if (c < 0) {
        for (let i = first[node]; i < last[node]; i++) {
          if (boxFar(boxes, 6 * order[i], x, y, z) >= far) continue;
          this.#look(found, order[i], x, y, z);
          far = found.far;
        }
        continue;
      }
      const left = boxFar(bounds, 6 * c, x, y, z);
      const right = boxFar(bounds, 6 * c + 6, x, y, z);
      const isLeft = left <= right;
      if ((isLeft ? right : left) < far) stack[top++] = isLeft ? c + 1 : c;
      if ((isLeft ? left : right) < far) stack[top++] = isLeft ? c : c + 1;
    }
    return found.triangle < 0 ? undefined : found;
  }

  /** Takes a triangle where it lies nearer than what was found. */
  #look(found: SurfacePlace, t: number, x: number, y: number, z: number): void {
    const d = this.#closestOn(t, x, y, z);
    if (d >= found.far) return;
    found.triangle = t;
    found.far = d;
    found.v = this.#v;
    found.w = this.#w;
    found.at[0] = this.#x;
    found.at[1] = this.#y;
    found.at[2] = this.#z;
  }

  /** The first triangle that a ray meets, from either side; `along` is of length 1. */
  hit(from: Vec3, along: Vec3): SurfacePlace | undefined {
    const { bounds, child, first, last, order } = this.#tree;
    let found: SurfacePlace | undefined;
    let far = Infinity;
    const inverse: Vec3 = [1 / along[0], 1 / along[1], 1 / along[2]];
    const stack = this.#stack;
    let top = 0;
    if (this.#corners.length > 0) stack[top++] = 0;
    while (top > 0) {
      const node = stack[--top];
      if (!(enters(bounds, 6 * node, from, inverse) < far)) continue;
      const c = child[node];
      if (c < 0) {
        for (let i = first[node]; i < last[node]; i++) {
          const t = this.#meets(order[i], from, along);
          if (!(t < far)) continue;
          far = t;
          const at: Vec3 = [from[0] + t * along[0], from[1] + t * along[1], from[2] + t * along[2]];
          found = { triangle: order[i], at, v: this.#v, w: this.#w, far };
        }
        continue;
      }
      const [left, right] = [enters(bounds, 6 * c, from, inverse), enters(bounds, 6 * c + 6, from, inverse)];
      const [near, off] = left <= right ? [c, c + 1] : [c + 1, c];
      if (Math.max(left, right) < far) stack[top++] = off;
      if (Math.min(left, right) < far) stack[top++] = near;
    }
    return found;
  }

  /** Square distance to the closest point of a triangle; leaves it and its weights behind. */
  #closestOn(t: number, x: number, y: number, z: number): number {
    const p = this.#corners;
    const o = 9 * t;
    const ax = p[o];
    const ay = p[o + 1];
    const az = p[o + 2];
    const bx = p[o + 3] - ax;
    const by = p[o + 4] - ay;
    const bz = p[o + 5] - az;
    const cx = p[o + 6] - ax;
    const cy = p[o + 7] - ay;
    const cz = p[o + 8] - az;
    const px = x - ax;
    const py = y - ay;
    const pz = z - az;
    this.#weigh(bx * px + by * py + bz * pz, cx * px + cy * py + cz * pz, {
      bb: bx * bx + by * by + bz * bz,
      bc: bx * cx + by * cy + bz * cz,
      cc: cx * cx + cy * cy + cz * cz,
    });
    this.#x = ax + this.#v * bx + this.#w * cx;
    this.#y = ay + this.#v * by + this.#w * cy;
    this.#z = az + this.#v * bz + this.#w * cz;
    const ex = x - this.#x;
    const ey = y - this.#y;
    const ez = z - this.#z;
    return ex * ex + ey * ey + ez * ez;
  }

  /**
   * Weights of the second and third corner of the closest point, from products of a triangle's sides b, c and the way p
   * to the point.
   */
  #weigh(d1: number, d2: number, { bb, bc, cc }: { bb: number; bc: number; cc: number }): void {
    this.#v = 0;
    this.#w = 0;
    if (d1 <= 0 && d2 <= 0) return;
    const d3 = d1 - bb;
    const d4 = d2 - bc;
    if (d3 >= 0 && d4 <= d3) {
      this.#v = 1;
      return;
    }
    const vc = d1 * d4 - d3 * d2;
    if (vc <= 0 && d1 >= 0 && d3 <= 0) {
      this.#v = d1 === d3 ? 0 : d1 / (d1 - d3);
      return;
    }
    const d5 = d1 - bc;
    const d6 = d2 - cc;
    if (d6 >= 0 && d5 <= d6) {
      this.#w = 1;
      return;
    }
    const vb = d5 * d2 - d1 * d6;
    if (vb <= 0 && d2 >= 0 && d6 <= 0) {
      this.#w = d2 === d6 ? 0 : d2 / (d2 - d6);
      return;
    }
    const va = d3 * d6 - d5 * d4;
    if (va <= 0 && d4 - d3 >= 0 && d5 - d6 >= 0) {
      this.#w = (d4 - d3) / (d4 - d3 + (d5 - d6));
      this.#v = 1 - this.#w;
      return;
    }
    const sum = va + vb + vc;
    if (!(sum > 0)) return;
    this.#v = vb / sum;
    this.#w = vc / sum;
  }

  /** How far along a ray a triangle is met; Infinity: not. */
  #meets(t: number, [ox, oy, oz]: Vec3, [dx, dy, dz]: Vec3): number {
    const p = this.#corners;
    const o = 9 * t;
    const [bx, by, bz] = [p[o + 3] - p[o], p[o + 4] - p[o + 1], p[o + 5] - p[o + 2]];
    const [cx, cy, cz] = [p[o + 6] - p[o], p[o + 7] - p[o + 1], p[o + 8] - p[o + 2]];
    const [hx, hy, hz] = [dy * cz - dz * cy, dz * cx - dx * cz, dx * cy - dy * cx];
    const det = bx * hx + by * hy + bz * hz;
    if (det === 0) return Infinity;
    const [sx, sy, sz] = [ox - p[o], oy - p[o + 1], oz - p[o + 2]];
    const v = (sx * hx + sy * hy + sz * hz) / det;
    // a hair beyond the borders, so that no ray slips between two triangles
    if (v < 0 - SLIP || v > 1 + SLIP) return Infinity;
    const [qx, qy, qz] = [sy * bz - sz * by, sz * bx - sx * bz, sx * by - sy * bx];
    const w = (dx * qx + dy * qy + dz * qz) / det;
    if (w < 0 - SLIP || v + w > 1 + SLIP) return Infinity;
    const far = (cx * qx + cy * qy + cz * qz) / det;
    this.#v = v;
    this.#w = w;
    return far >= 0 ? far : Infinity;
  }
}

const SLIP = 1e-9;

/** Square distance from a place to a box. */
function boxFar(b: Float64Array, o: number, x: number, y: number, z: number): number {
  const dx = x < b[o] ? b[o] - x : x > b[o + 3] ? x - b[o + 3] : 0;
  const dy = y < b[o + 1] ? b[o + 1] - y : y > b[o + 4] ? y - b[o + 4] : 0;
  const dz = z < b[o + 2] ? b[o + 2] - z : z > b[o + 5] ? z - b[o + 5] : 0;
  return dx * dx + dy * dy + dz * dz;
}

/** How far along a ray it comes into a box; Infinity: never. */
function enters(b: Float64Array, o: number, from: Vec3, inverse: Vec3): number {
  let [near, far] = [0, Infinity];
  for (let k = 0; k < 3; k++) {
    const one = (b[o + k] - from[k]) * inverse[k];
    const two = (b[o + 3 + k] - from[k]) * inverse[k];
    // 0 times infinity: the ray runs in the side itself
    if (one !== one || two !== two) continue;
    near = Math.max(near, Math.min(one, two));
    far = Math.min(far, Math.max(one, two));
  }
  return near <= far * (1 + 1e-12) ? near : Infinity;
}

function boxesOf(corners: Float64Array): Float64Array {
  const boxes = new Float64Array((corners.length / 9) * 6);
  for (let t = 0; t < corners.length / 9; t++) {
    for (let k = 0; k < 3; k++) {
      const a = corners[9 * t + k];
      const b = corners[9 * t + 3 + k];
      const c = corners[9 * t + 6 + k];
      boxes[6 * t + k] = Math.min(a, b, c);
      boxes[6 * t + 3 + k] = Math.max(a, b, c);
    }
  }
  return boxes;
}
