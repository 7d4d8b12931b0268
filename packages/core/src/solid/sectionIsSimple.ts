/**
 * Whether the section, with the flat front and back as its continuations inward, neither crosses nor touches nor folds back onto itself: then no
 * solid along it crosses itself (docs/geometry.md). Exact: coordinates are whole and below 2^25.
 */
export function sectionIsSimple({ inset, z }: { inset: readonly number[]; z: readonly number[] }): boolean {
  const far = Math.max(...inset) + 1;
  const x = [far, ...inset, far];
  const y = [z[0], ...z, z[z.length - 1]];
  for (let i = 0; i + 1 < x.length; i++) {
    if (x[i] === x[i + 1] && y[i] === y[i + 1]) return false;
    if (i + 2 < x.length && foldsBack(x, y, i)) return false;
    for (let j = i + 2; j + 1 < x.length; j++) if (segmentsMeet(x, y, i, j)) return false;
  }
  return true;
}

const turn = (x: number[], y: number[], a: number, b: number, c: number): number =>
  Math.sign((x[b] - x[a]) * (y[c] - y[a]) - (y[b] - y[a]) * (x[c] - x[a]));

function foldsBack(x: number[], y: number[], i: number): boolean {
  const ahead = (x[i + 1] - x[i]) * (x[i + 2] - x[i + 1]) + (y[i + 1] - y[i]) * (y[i + 2] - y[i + 1]);
  return ahead < 0 && turn(x, y, i, i + 1, i + 2) === 0;
}

function segmentsMeet(x: number[], y: number[], i: number, j: number): boolean {
  const a = turn(x, y, i, i + 1, j);
  const b = turn(x, y, i, i + 1, j + 1);
  const c = turn(x, y, j, j + 1, i);
  const d = turn(x, y, j, j + 1, i + 1);
  if (a * b > 0 || c * d > 0) return false;
  if (a !== 0 || b !== 0 || c !== 0 || d !== 0) return true;
  return overlap(x[i], x[i + 1], x[j], x[j + 1]) && overlap(y[i], y[i + 1], y[j], y[j + 1]);
}

const overlap = (a: number, b: number, c: number, d: number): boolean =>
  Math.min(a, b) <= Math.max(c, d) && Math.min(c, d) <= Math.max(a, b);
