/** Triangles with corners of their own, as a renderer holds them. */
export interface TriangleSoup {
  /** three numbers a vertex, mm */
  positions: ArrayLike<number>;
  index: ArrayLike<number>;
}

/** A point of a cut, mm: x across, z in depth. */
export type CutPoint = readonly [x: number, z: number];

/**
 * The closed lines along which a solid meets the level plane at height `y`; to be looked at, not to be built on. A
 * vertex on the plane counts as above it, so that every line closes.
 */
export function cutAcross({ positions, index }: TriangleSoup, y: number): CutPoint[][] {
  const next = new Map<string, { to: string; at: CutPoint }[]>();
  for (let t = 0; t < index.length; t += 3) {
    const corners = [0, 1, 2].map((k) => index[t + k]);
    const above = corners.map((v) => positions[3 * v + 1] >= y);
    const ends = [0, 1, 2].filter((k) => above[k] !== above[(k + 1) % 3]);
    if (ends.length !== 2) continue;
    const [a, b] = ends.map((k) => meeting(positions, corners[k], corners[(k + 1) % 3], y));
    const [from, to] = above[ends[0]] ? [a, b] : [b, a];
    next.set(keyOf(from), [...(next.get(keyOf(from)) ?? []), { to: keyOf(to), at: from }]);
  }
  return chained(next);
}

const keyOf = ([x, z]: CutPoint): string => `${x} ${z}`;

/** The same whichever way the edge runs, so that neighbours agree. */
function meeting(p: ArrayLike<number>, v: number, w: number, y: number): CutPoint {
  const [a, b] = p[3 * v + 1] < p[3 * w + 1] ? [3 * v, 3 * w] : [3 * w, 3 * v];
  const share = (y - p[a + 1]) / (p[b + 1] - p[a + 1]);
  return [p[a] + share * (p[b] - p[a]), p[a + 2] + share * (p[b + 2] - p[a + 2])];
}

function chained(next: Map<string, { to: string; at: CutPoint }[]>): CutPoint[][] {
  const lines: CutPoint[][] = [];
  for (const start of next.keys()) {
    for (let at = next.get(start)?.pop(), line: CutPoint[] = []; at; at = next.get(at.to)?.pop()) {
      line.push(at.at);
      if (at.to === start) {
        lines.push(line);
        break;
      }
    }
  }
  return lines;
}
