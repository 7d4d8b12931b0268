import { scaledJacobian } from './patch.ts';

interface TrianglePair {
  one: number;
  other: number;
  quad: [number, number, number, number];
  quality: number;
}

/** The longest way along which pairs are exchanged to bring in two more triangles. */
const LONGEST_EXCHANGE = 4;

/**
 * Joins triangles in pairs to quads, the best first; then exchanges pairs along alternating ways, so that two more
 * triangles find a partner. `least`: quads with a scaled Jacobian below are none. Returns loops of three and four
 * points.
 */
export function pairTriangles(
  x: ArrayLike<number>,
  y: ArrayLike<number>,
  triangles: ArrayLike<number>,
  least: number,
): number[][] {
  const pairs = possiblePairs(x, y, triangles, least);
  const count = triangles.length / 3;
  const byTriangle: TrianglePair[][] = Array.from({ length: count }, () => []);
  for (const pair of pairs) {
    byTriangle[pair.one].push(pair);
    byTriangle[pair.other].push(pair);
  }
  const partner: (TrianglePair | undefined)[] = new Array(count).fill(undefined);
  for (const pair of pairs) {
    if (partner[pair.one] || partner[pair.other]) continue;
    partner[pair.one] = partner[pair.other] = pair;
  }
  for (let t = 0; t < count; t++) {
    if (!partner[t]) exchange(t, { byTriangle, partner, seen: new Set([t]), depth: LONGEST_EXCHANGE });
  }
  const faces: number[][] = [];
  for (let t = 0; t < count; t++) {
    const pair = partner[t];
    if (!pair) faces.push([triangles[3 * t], triangles[3 * t + 1], triangles[3 * t + 2]]);
    else if (pair.one === t) faces.push(pair.quad);
  }
  return faces;
}

/** All neighbours that make a quad, best first. */
function possiblePairs(
  x: ArrayLike<number>,
  y: ArrayLike<number>,
  triangles: ArrayLike<number>,
  least: number,
): TrianglePair[] {
  const size = x.length;
  const owner = new Map<number, number>();
  const pairs: TrianglePair[] = [];
  for (let c = 0; c < triangles.length; c++) {
    const [a, b] = [triangles[c], triangles[c % 3 === 2 ? c - 2 : c + 1]];
    const back = owner.get(b * size + a);
    if (back === undefined) {
      owner.set(a * size + b, c);
      continue;
    }
    const far = (corner: number): number => triangles[corner - (corner % 3) + ((corner + 2) % 3)];
    const quad: [number, number, number, number] = [a, far(back), b, far(c)];
    const quality = scaledJacobian(x, y, quad, 0);
    if (quality > least) pairs.push({ one: Math.floor(back / 3), other: Math.floor(c / 3), quad, quality });
  }
  return pairs.sort((p, q) => q.quality - p.quality || p.one - q.one || p.other - q.other);
}

/**
 * Gives triangle t a partner by taking one from a pair whose other half finds a new one; false when no way is short
 * enough.
 */
function exchange(
  t: number,
  {
    byTriangle,
    partner,
    seen,
    depth,
  }: { byTriangle: readonly TrianglePair[][]; partner: (TrianglePair | undefined)[]; seen: Set<number>; depth: number },
): boolean {
  for (const pair of byTriangle[t]) {
    const other = pair.one === t ? pair.other : pair.one;
    if (seen.has(other)) continue;
    seen.add(other);
    const taken = partner[other];
    if (taken) {
      const left = taken.one === other ? taken.other : taken.one;
      if (depth === 0 || seen.has(left)) continue;
      seen.add(left);
      partner[left] = undefined;
      partner[other] = partner[t] = pair;
      if (exchange(left, { byTriangle, partner, seen, depth: depth - 1 })) return true;
      partner[t] = undefined;
      partner[other] = partner[left] = taken;
      continue;
    }
    partner[other] = partner[t] = pair;
    return true;
  }
  return false;
}
