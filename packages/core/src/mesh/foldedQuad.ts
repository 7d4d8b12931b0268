/** Of the largest part of a quad's area vector: an axis with this share sees the quad squarely. */
const SQUARELY = 0.5;

/** Room for the turns at a quad's four corners. */
const turns = new Float64Array(12);

/**
 * Where to cut a quad that is folded: the corner, first or second, from which both triangles face the same way.
 * Undefined for a quad whose four corners all turn the same way, seen along its area. `p`: three numbers a vertex; four
 * vertices.
 */
export function foldedFrom(p: ArrayLike<number>, quad: ArrayLike<number>): 0 | 1 | undefined {
  const t = turns;
  for (let k = 0; k < 4; k++) turnInto(p, quad[k], quad[(k + 1) & 3], quad[(k + 2) & 3], 3 * k);
  // twice the quad's area is the sum of the triangles at two opposite corners
  const x = t[0] + t[6];
  const y = t[1] + t[7];
  const z = t[2] + t[8];
  let isFolded = false;
  for (let k = 0; k < 12; k += 3) if (t[k] * x + t[k + 1] * y + t[k + 2] * z <= 0) isFolded = true;
  if (!isFolded && !foldsSeenAlong(x, y, z)) return undefined;
  const first = t[0] * t[6] + t[1] * t[7] + t[2] * t[8];
  const second = t[3] * t[9] + t[4] * t[10] + t[5] * t[11];
  return first >= second ? 0 : 1;
}

/**
 * Whether the quad whose turns are at hand folds when seen along an axis that it faces squarely: those who project it
 * so can't fill it.
 */
function foldsSeenAlong(x: number, y: number, z: number): boolean {
  const most = SQUARELY * Math.max(Math.abs(x), Math.abs(y), Math.abs(z));
  return foldsAlong(0, x, most) || foldsAlong(1, y, most) || foldsAlong(2, z, most);
}

function foldsAlong(axis: number, area: number, least: number): boolean {
  if (Math.abs(area) < least) return false;
  for (let k = axis; k < 12; k += 3) if (turns[k] * area <= 0) return true;
  return false;
}

/** The turn at b from a to c, as a vector, into the row at `at`. */
function turnInto(p: ArrayLike<number>, a: number, b: number, c: number, at: number): void {
  const ux = p[3 * b] - p[3 * a];
  const uy = p[3 * b + 1] - p[3 * a + 1];
  const uz = p[3 * b + 2] - p[3 * a + 2];
  const vx = p[3 * c] - p[3 * b];
  const vy = p[3 * c + 1] - p[3 * b + 1];
  const vz = p[3 * c + 2] - p[3 * b + 2];
  turns[at] = uy * vz - uz * vy;
  turns[at + 1] = uz * vx - ux * vz;
  turns[at + 2] = ux * vy - uy * vx;
}
