const STEP_DOWN = 0.7071067811865476;

/** The next smaller of 1 mm times powers of the root of two: small changes of a step build nothing anew. */
export function inSteps(mm: number): number {
  if (!(mm < Infinity)) return mm;
  let size = 1;
  while (size > mm) size *= STEP_DOWN;
  while (size / STEP_DOWN <= mm) size /= STEP_DOWN;
  return size;
}

/** The longest edge along the depth, where one is needed. */
export const deepest = (mm: number): number | undefined => (mm < Infinity ? inSteps(mm) : undefined);
