/** A polyline in (inset, z), whole grid steps below 2^25. */
interface Polyline {
  inset: readonly number[];
  z: readonly number[];
}

/**
 * Two pieces of a section that meet where they should not (-1 and the number of vertices - 1 are the flat front and
 * back), and where.
 */
export interface SectionCrossing {
  pieces: [number, number];
  inset: number;
  z: number;
}

/**
 * The first place where the section, with the flat front and back as its continuations inward, crosses, touches or
 * folds back onto itself. Where there is none no solid along it crosses itself (docs/geometry.md). Whether there is one
 * is exact; where it lies is rounded.
 */
export function sectionCrossing({ inset, z }: Polyline): SectionCrossing | undefined {
  const far = Math.max(...inset) + 1;
  const x = [far, ...inset, far];
  const y = [z[0], ...z, z[z.length - 1]];
  const found = (i: number, j: number, at: [number, number]): SectionCrossing => ({
    pieces: [i - 1, j - 1],
    inset: at[0],
    z: at[1],
  });
  for (let i = 0; i + 1 < x.length; i++) {
    if (x[i] === x[i + 1] && y[i] === y[i + 1]) return found(i, i, [x[i], y[i]]);
    if (i + 2 < x.length && foldsBack(x, y, i)) return found(i, i + 1, [x[i + 1], y[i + 1]]);
    for (let j = i + 2; j + 1 < x.length; j++) if (segmentsMeet(x, y, i, j)) return found(i, j, meeting(x, y, i, j));
  }
  return undefined;
}

/**
 * The first place where the section turns back, or runs in under its flat front or back, only one step deep: vertices
 * between two layers have no depth of their own there and would touch what lies above.
 */
export function sectionTouch({ inset, z }: Polyline): SectionCrossing | undefined {
  const last = inset.length - 1;
  // the flat front comes from inside, the flat back leads there
  const across = [-1, ...inset.slice(1).map((to, i) => Math.sign(to - inset[i])), 1];
  const down = [0, ...z.slice(1).map((to, i) => Math.abs(to - z[i])), 0];
  for (let i = 0; i <= last; i++)
    if (across[i] * across[i + 1] < 0 && (down[i] === 1 || down[i + 1] === 1))
      return { pieces: [i - 1, i], inset: inset[i], z: z[i] };
  return undefined;
}

export const sectionIsSimple = (section: Polyline): boolean => sectionCrossing(section) === undefined;

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

/** Of two segments that meet; of two on one line an end that they share. */
function meeting(x: number[], y: number[], i: number, j: number): [number, number] {
  const [ux, uy] = [x[i + 1] - x[i], y[i + 1] - y[i]];
  const [vx, vy] = [x[j + 1] - x[j], y[j + 1] - y[j]];
  const cross = ux * vy - uy * vx;
  if (cross === 0) return [x[j], y[j]];
  const share = ((x[j] - x[i]) * vy - (y[j] - y[i]) * vx) / cross;
  return [x[i] + share * ux, y[i] + share * uy];
}

const overlap = (a: number, b: number, c: number, d: number): boolean =>
  Math.min(a, b) <= Math.max(c, d) && Math.min(c, d) <= Math.max(a, b);
