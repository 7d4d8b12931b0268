import type { TangentMaker } from '../base/index.ts';

/**
 * Rows of triangles, none shared: three numbers each for places and normals, two for texture coordinates (up is up).
 */
export interface TexturedRows {
  positions: Float32Array;
  normals: Float32Array;
  uvs: Float32Array;
}

/** A direction is one within this of length 1. */
const OFF = 1e-3;

/**
 * Per row the direction in which a texture runs to the right, and 1 or -1: whether it is mirrored (glTF 2.0, TANGENT).
 * A row whose texture has no direction there gets some across its normal.
 */
export function cornerTangents({ positions, normals, uvs }: TexturedRows, make: TangentMaker): Float32Array {
  const made = make(positions, normals, uvs);
  for (let row = 0; 4 * row < made.length; row++) {
    const [x, y, z] = made.subarray(4 * row, 4 * row + 3);
    if (Math.abs(Math.sqrt(x * x + y * y + z * z) - 1) <= OFF) continue;
    const n = Array.from(normals.subarray(3 * row, 3 * row + 3));
    made.set([...(acrossNormal(n, Math.abs(n[0]) < 0.5 ? [1, 0, 0] : [0, 1, 0]) ?? [1, 0, 0]), 1], 4 * row);
  }
  return made;
}

/** The part of a vector that lies across a normal, of length 1; undefined where nothing is left. */
function acrossNormal(n: readonly number[], v: readonly number[]): number[] | undefined {
  const along = n[0] * v[0] + n[1] * v[1] + n[2] * v[2];
  const rest = v.map((value, k) => value - along * n[k]);
  const size = Math.sqrt(rest[0] * rest[0] + rest[1] * rest[1] + rest[2] * rest[2]);
  const whole = Math.sqrt(v[0] * v[0] + v[1] * v[1] + v[2] * v[2]);
  return size > 1e-6 * whole ? rest.map((value) => value / size) : undefined;
}
