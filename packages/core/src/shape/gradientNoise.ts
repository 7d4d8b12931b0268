/**
 * Seeded gradient noise in space, about -1 to 1, twice differentiable: Perlin 2002, "Improving noise" (quintic fade,
 * twelve directions), with the lattice hashed by integers instead of a table of 256, so that nothing repeats. The same
 * in every engine.
 */
export function gradientNoise(seed: number, x: number, y: number, z: number): number {
  const [i, j, k] = [Math.floor(x), Math.floor(y), Math.floor(z)];
  const [u, v, w] = [x - i, y - j, z - k];
  const [fu, fv, fw] = [fade(u), fade(v), fade(w)];
  const at = (di: number, dj: number, dk: number): number =>
    slope(latticeHash(seed, i + di, j + dj, k + dk), u - di, v - dj, w - dk);
  const row = (dj: number, dk: number): number => mix(at(0, dj, dk), at(1, dj, dk), fu);
  return mix(mix(row(0, 0), row(1, 0), fv), mix(row(0, 1), row(1, 1), fv), fw);
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

/** A whole number of 32 bits for a place of the lattice. */
export function latticeHash(seed: number, i: number, j: number, k: number): number {
  let hash = (seed ^ Math.imul(i, 0x8da6b343) ^ Math.imul(j, 0xd8163841) ^ Math.imul(k, 0xcb1ab31f)) >>> 0;
  hash = Math.imul(hash ^ (hash >>> 15), 0x2c1b3c6d);
  hash = Math.imul(hash ^ (hash >>> 12), 0x297a2d39);
  return (hash ^ (hash >>> 15)) >>> 0;
}

const fade = (t: number): number => t * t * t * (t * (t * 6 - 15) + 10);
const mix = (a: number, b: number, t: number): number => a + t * (b - a);

function slope(hash: number, x: number, y: number, z: number): number {
  const h = hash & 15;
  const u = h < 8 ? x : y;
  const v = h < 4 ? y : h === 12 || h === 14 ? x : z;
  return ((h & 1) === 0 ? u : -u) + ((h & 2) === 0 ? v : -v);
}
