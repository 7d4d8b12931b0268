/** A quad with a narrower corner than this is better as two triangles. */
export const QUAD_SINE = 0.2;

/** Sines of the corners of a loop, seen along a normal. */
export function cornerSines(p: Float64Array, vertices: readonly number[], normal: readonly number[]): number[] {
  const n = vertices.length;
  const size = Math.sqrt(normal[0] * normal[0] + normal[1] * normal[1] + normal[2] * normal[2]);
  return vertices.map((v, i) => {
    const [a, b] = [3 * vertices[(i + n - 1) % n], 3 * vertices[(i + 1) % n]];
    const u = [0, 1, 2].map((k) => p[b + k] - p[3 * v + k]);
    const w = [0, 1, 2].map((k) => p[a + k] - p[3 * v + k]);
    const turn =
      (u[1] * w[2] - u[2] * w[1]) * normal[0] +
      (u[2] * w[0] - u[0] * w[2]) * normal[1] +
      (u[0] * w[1] - u[1] * w[0]) * normal[2];
    const lengths = Math.sqrt((u[0] * u[0] + u[1] * u[1] + u[2] * u[2]) * (w[0] * w[0] + w[1] * w[1] + w[2] * w[2]));
    return lengths > 0 && size > 0 ? turn / (lengths * size) : 0;
  });
}
