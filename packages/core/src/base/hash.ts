/**
 * A short name for a text: 106 bits of two multiplied and mixed 32-bit pairs (FNV offsets, MurmurHash3's finaliser).
 * Not for secrets.
 */
export function textHash(text: string): string {
  return `${half(text, 0)}${half(text, 0x9e3779b9)}`;
}

function half(text: string, seed: number): string {
  let a = 0x811c9dc5 ^ seed;
  let b = 0x01000193 ^ seed;
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    a = Math.imul(a ^ code, 0x85ebca6b);
    b = Math.imul(b ^ code, 0xc2b2ae35);
  }
  const mixedA = Math.imul(a ^ (a >>> 16), 0x85ebca6b) ^ Math.imul(b ^ (b >>> 13), 0xc2b2ae35);
  const mixedB = Math.imul(b ^ (b >>> 16), 0x85ebca6b) ^ Math.imul(a ^ (a >>> 13), 0xc2b2ae35);
  return (2 ** 32 * (mixedB & 0x1fffff) + (mixedA >>> 0)).toString(36);
}
