/**
 * Seeded random numbers in [0, 1): splitmix32. The same seed gives the same row everywhere.
 * Source: Steele, Lea, Flood 2014, "Fast splittable pseudorandom number generators" (32-bit variant).
 */
export function seededRandom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x9e3779b9) >>> 0;
    let z = state;
    z = Math.imul(z ^ (z >>> 16), 0x21f0aaad);
    z = Math.imul(z ^ (z >>> 15), 0x735a2d97);
    return ((z ^ (z >>> 15)) >>> 0) / 4294967296;
  };
}
