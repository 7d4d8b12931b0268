/**
 * Letter of each face: that of the boundary it is nearest to, counted in faces. `boundary`: letter of each of the first
 * points.
 */
export function nearestLetters(
  { start, corners }: { start: Uint32Array; corners: readonly number[] },
  boundary: readonly number[],
  points: number,
): Int32Array {
  const letters = new Int32Array(start.length - 1).fill(boundary[0] ?? 0);
  if (boundary.every((letter) => letter === boundary[0])) return letters;
  const at: number[][] = Array.from({ length: points }, () => []);
  for (let f = 0; f < letters.length; f++) for (let c = start[f]; c < start[f + 1]; c++) at[corners[c]].push(f);
  letters.fill(-1);
  let reached: number[] = [];
  boundary.forEach((letter, p) => {
    for (const face of at[p]) {
      if (letters[face] >= 0) continue;
      letters[face] = letter;
      reached.push(face);
    }
  });
  while (reached.length > 0) {
    const beyond: number[] = [];
    for (const face of reached) {
      for (let c = start[face]; c < start[face + 1]; c++) {
        for (const other of at[corners[c]]) {
          if (letters[other] >= 0) continue;
          letters[other] = letters[face];
          beyond.push(other);
        }
      }
    }
    reached = beyond;
  }
  return letters;
}
