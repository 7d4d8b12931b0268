/**
 * Twice the area of the triangle p q r as a vector along its normal. `p`, `q`, `r`: places of the x coordinates in `v`.
 */
export function areaVector(v: Float64Array, p: number, q: number, r: number): [number, number, number] {
  const ax = v[q] - v[p];
  const ay = v[q + 1] - v[p + 1];
  const az = v[q + 2] - v[p + 2];
  const bx = v[r] - v[p];
  const by = v[r + 1] - v[p + 1];
  const bz = v[r + 2] - v[p + 2];
  return [ay * bz - az * by, az * bx - ax * bz, ax * by - ay * bx];
}
