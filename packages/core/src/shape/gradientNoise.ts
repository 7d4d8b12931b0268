/**
 * Seeded gradient noise in space, about -1 to 1, twice differentiable: Perlin 2002, "Improving noise" (quintic fade,
 * twelve directions), with the lattice hashed by integers instead of a table of 256, so that nothing repeats. The same
 * in every engine.
 */
export function gradientNoise(seed: number, x: number, y: number, z: number): number {
  const i = Math.floor(x);
  const j = Math.floor(y);
  const k = Math.floor(z);
  const u = x - i;
  const v = y - j;
  const w = z - k;
  const fu = fade(u);
  const fv = fade(v);
  // by the eight corners of the cell; a face is asked for by hundreds of thousands of places
  const [ha, hb] = [seed ^ Math.imul(i, ALONG_X), seed ^ Math.imul(i + 1, ALONG_X)];
  const [hj, hk] = [Math.imul(j, ALONG_Y), Math.imul(k, ALONG_Z)];
  const [hj1, hk1] = [Math.imul(j + 1, ALONG_Y), Math.imul(k + 1, ALONG_Z)];
  const near = mix(
    mix(slope(mixed(ha ^ hj ^ hk), u, v, w), slope(mixed(hb ^ hj ^ hk), u - 1, v, w), fu),
    mix(slope(mixed(ha ^ hj1 ^ hk), u, v - 1, w), slope(mixed(hb ^ hj1 ^ hk), u - 1, v - 1, w), fu),
    fv,
  );
  const far = mix(
    mix(slope(mixed(ha ^ hj ^ hk1), u, v, w - 1), slope(mixed(hb ^ hj ^ hk1), u - 1, v, w - 1), fu),
    mix(slope(mixed(ha ^ hj1 ^ hk1), u, v - 1, w - 1), slope(mixed(hb ^ hj1 ^ hk1), u - 1, v - 1, w - 1), fu),
    fv,
  );
  return mix(near, far, fade(w));
}

/** Distance to the nearest of scattered points, one a cell, about 0 to 1 (Worley 1996). */
export function cellNoise(seed: number, x: number, y: number, z: number): number {
  const [i, j, k] = [Math.floor(x), Math.floor(y), Math.floor(z)];
  let least = Infinity;
  for (let a = i - 1; a <= i + 1; a++)
    for (let b = j - 1; b <= j + 1; b++)
      for (let c = k - 1; c <= k + 1; c++) {
        const hash = latticeHash(seed, a, b, c);
        const dx = a + (hash & 1023) / 1024 - x;
        const dy = b + ((hash >>> 10) & 1023) / 1024 - y;
        const dz = c + ((hash >>> 20) & 1023) / 1024 - z;
        least = Math.min(least, dx * dx + dy * dy + dz * dz);
      }
  return Math.sqrt(least);
}

const ALONG_X = 0x8da6b343;
const ALONG_Y = 0xd8163841;
const ALONG_Z = 0xcb1ab31f;

/** A whole number of 32 bits for a place of the lattice. */
export const latticeHash = (seed: number, i: number, j: number, k: number): number =>
  mixed(seed ^ Math.imul(i, ALONG_X) ^ Math.imul(j, ALONG_Y) ^ Math.imul(k, ALONG_Z)) >>> 0;

/** All bits of a whole number into each of them. */
function mixed(of: number): number {
  let hash = Math.imul(of ^ (of >>> 15), 0x2c1b3c6d);
  hash = Math.imul(hash ^ (hash >>> 12), 0x297a2d39);
  return hash ^ (hash >>> 15);
}

const fade = (t: number): number => t * t * t * (t * (t * 6 - 15) + 10);
const mix = (a: number, b: number, t: number): number => a + t * (b - a);

/** The twelve directions, four of them twice, by the last four bits of a hash: no branch would foresee them. */
const SLOPE_X = new Float64Array([1, -1, 1, -1, 1, -1, 1, -1, 0, 0, 0, 0, 1, 0, -1, 0]);
const SLOPE_Y = new Float64Array([1, 1, -1, -1, 0, 0, 0, 0, 1, -1, 1, -1, 1, -1, 1, -1]);
const SLOPE_Z = new Float64Array([0, 0, 0, 0, 1, 1, -1, -1, 1, 1, -1, -1, 0, 1, 0, -1]);

function slope(hash: number, x: number, y: number, z: number): number {
  const h = hash & 15;
  return SLOPE_X[h] * x + SLOPE_Y[h] * y + SLOPE_Z[h] * z;
}
