/** Fifth root by Newton's method, a fixed number of rounds from a start above it; v in (0, 1]. */
function fifthRoot(v: number): number {
  let y = 1;
  for (let i = 0; i < 40; i++) {
    const y4 = y * y * y * y;
    y -= (y4 * y - v) / (5 * y4);
  }
  return y;
}

/** One channel of sRGB, 0 to 1, to linear light (IEC 61966-2-1). The same bits everywhere: no built-in powers. */
export function linearFromSrgb(c: number): number {
  if (c <= 0.04045) return c / 12.92;
  const a = (c + 0.055) / 1.055;
  return a * a * fifthRoot(a * a);
}
