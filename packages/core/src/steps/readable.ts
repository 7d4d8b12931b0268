/** Of a size that people read at once: 1, 2 or 5 times a power of ten, no larger. */
export function readable(mm: number): number {
  let power = 0.1;
  while (power * 10 <= mm) power *= 10;
  const share = mm / power;
  return Number(((share >= 5 ? 5 : share >= 2 ? 2 : 1) * power).toPrecision(6));
}
