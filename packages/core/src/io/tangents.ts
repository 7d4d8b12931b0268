/** Rows of points as they stand in a file: three numbers each for places and normals, two for texture coordinates (up is up). */
export interface TexturedRows {
  positions: readonly number[];
  normals: readonly number[];
  uvs: readonly number[];
}

/**
 * Per row the direction in which a texture runs to the right, and 1 or -1: whether it is mirrored (glTF 2.0, TANGENT). Triangles count by their area; a row
 * without any gets some direction across its normal.
 */
export function tangents({ positions: p, normals, uvs }: TexturedRows, index: ArrayLike<number>): number[] {
  const rows = normals.length / 3;
  const sums = new Float64Array(3 * rows);
  const mirrored = new Float64Array(rows);
  for (let t = 0; t < index.length; t += 3) {
    const [a, b, c] = [index[t], index[t + 1], index[t + 2]];
    const [u1, v1] = [uvs[2 * b] - uvs[2 * a], uvs[2 * b + 1] - uvs[2 * a + 1]];
    const [u2, v2] = [uvs[2 * c] - uvs[2 * a], uvs[2 * c + 1] - uvs[2 * a + 1]];
    const turn = u1 * v2 - u2 * v1;
    for (let k = 0; k < 3; k++) {
      const right = (p[3 * b + k] - p[3 * a + k]) * v2 - (p[3 * c + k] - p[3 * a + k]) * v1;
      for (const row of [a, b, c]) sums[3 * row + k] += Math.sign(turn) * right;
    }
    for (const row of [a, b, c]) mirrored[row] += turn;
  }
  const found: number[] = [];
  for (let row = 0; row < rows; row++) {
    const n = [0, 1, 2].map((k) => normals[3 * row + k]);
    const across = acrossNormal(n, [0, 1, 2].map((k) => sums[3 * row + k])) ?? acrossNormal(n, Math.abs(n[0]) < 0.5 ? [1, 0, 0] : [0, 1, 0]); // prettier-ignore
    found.push(...(across ?? [1, 0, 0]), mirrored[row] < 0 ? -1 : 1);
  }
  return found;
}

/** The part of a vector that lies across a normal, of length 1; undefined where nothing is left. */
function acrossNormal(n: readonly number[], v: readonly number[]): number[] | undefined {
  const along = n[0] * v[0] + n[1] * v[1] + n[2] * v[2];
  const rest = v.map((value, k) => value - along * n[k]);
  const size = Math.sqrt(rest[0] * rest[0] + rest[1] * rest[1] + rest[2] * rest[2]);
  const whole = Math.sqrt(v[0] * v[0] + v[1] * v[1] + v[2] * v[2]);
  return size > 1e-6 * whole ? rest.map((value) => value / size) : undefined;
}
