import { PI } from '../../math/index.ts';
import { sidesOf, type Block, type BlockEdge } from './blocks.ts';

/** What a stretch or chord would be cut into by itself. */
export interface Wanted {
  /** its length in wanted edges */
  edges: number;
  /** no fewer, for the tolerance's sake */
  least: number;
  length: number;
}

/** Inner angles below this are corners of a block. */
export const BLOCK_CORNER = (140 * PI) / 180;
/** Opposite sides go together up to this ratio of their lengths. */
const SIMILAR = 10;
/**
 * Of a short side's count: the most that is added to it to match the one across. A narrow end would send its rows
 * through all the stroke.
 */
const MOST_ADDED = 1;
const LARGEST_SHARE = 2.5;
const ROUNDS = 3;

/**
 * How many edges each stretch and chord is cut into: even, at least two, the same on opposite sides of four-sided
 * blocks. Opposite sides of different lengths meet in the geometric mean. `wanted`: stretches first, chords after them;
 * `spans`: how many stretches.
 */
export function evenCounts(blocks: readonly Block[], wanted: readonly Wanted[], spans: number): Int32Array {
  const variable = (e: BlockEdge): number => (e.kind === 'span' ? e.index : spans + e.index);
  const four = blocks.map((block) => sidesOf(block, BLOCK_CORNER)).filter((sides) => sides.length === 4);
  const classes = new Classes(wanted.length);
  for (const sides of four) {
    for (const [one, other] of [
      [sides[0], sides[2]],
      [sides[1], sides[3]],
    ]) {
      if (one.length !== 1 || other.length !== 1) continue;
      const [a, b] = [variable(one[0]), variable(other[0])];
      const ratio = wanted[a].length / wanted[b].length;
      if (ratio < SIMILAR && ratio > 1 / SIMILAR) classes.unite(a, b);
    }
  }
  const members = classes.members();
  const count = new Map<number, number>();
  for (const [root, row] of members) count.set(root, evenCount(row.map((v) => wanted[v])));
  // a ring with a single stretch needs six to be no triangle
  for (const { edges } of blocks) if (edges.length === 1) raise(count, classes.find(variable(edges[0])), 6);
  const sum = (side: readonly BlockEdge[]): number =>
    side.reduce((total, e) => total + (count.get(classes.find(variable(e))) ?? 0), 0);
  for (let round = 0; round < ROUNDS; round++) {
    for (const sides of four) {
      for (const [one, other] of [
        [sides[0], sides[2]],
        [sides[1], sides[3]],
      ]) {
        const missing = sum(other) - sum(one);
        if (missing === 0 || Math.abs(missing) > Math.max(2, MOST_ADDED * Math.min(sum(one), sum(other)))) continue;
        const least = leastShared(missing > 0 ? one : other, (e) => classes.find(variable(e)), members);
        raise(count, least, (count.get(least) ?? 0) + Math.abs(missing));
      }
    }
  }
  return Int32Array.from(wanted, (_, v) => count.get(classes.find(v)) ?? 2);
}

function raise(count: Map<number, number>, root: number, to: number): void {
  count.set(root, Math.max(count.get(root) ?? 0, to));
}

/** Of a side's classes the one that fewest other stretches belong to. */
function leastShared(
  side: readonly BlockEdge[],
  classOf: (e: BlockEdge) => number,
  members: ReadonlyMap<number, number[]>,
): number {
  const size = (root: number): number => members.get(root)?.length ?? 0;
  return side.map(classOf).reduce((best, root) => (size(root) < size(best) ? root : best));
}

/** Rounded to the nearest even number, but never below what the tolerance asks for. */
function evenCount(wanted: readonly Wanted[]): number {
  const edges = wanted.map((w) => w.edges);
  const mean = Math.max(geometricMean(edges), Math.max(...edges) / LARGEST_SHARE);
  const least = Math.max(...wanted.map((w) => w.least));
  return 2 * Math.max(1, Math.round(mean / 2), Math.ceil(least / 2 - SLACK));
}

/** Of an edge: what the tolerance may be short of. */
const SLACK = 0.1;

/** By Newton's method on x^n = product; powers and logarithms of engines differ. */
function geometricMean(values: readonly number[]): number {
  const mean = values.reduce((a, b) => a + b, 0) / values.length;
  const product = values.reduce((a, b) => a * (b / mean), 1);
  let x = 1;
  for (let i = 0; i < 40; i++) {
    let power = 1;
    for (let k = 1; k < values.length; k++) power *= x;
    x += (product / power - x) / values.length;
  }
  return Math.max(x, 0) * mean;
}

class Classes {
  readonly #owner: Int32Array;

  constructor(count: number) {
    this.#owner = Int32Array.from({ length: count }, (_, i) => i);
  }

  find(i: number): number {
    const owner = this.#owner;
    while (owner[i] !== i) i = owner[i] = owner[owner[i]];
    return i;
  }

  unite(a: number, b: number): void {
    const [p, q] = [this.find(a), this.find(b)];
    this.#owner[Math.max(p, q)] = Math.min(p, q);
  }

  members(): Map<number, number[]> {
    const rows = new Map<number, number[]>();
    for (let i = 0; i < this.#owner.length; i++) {
      const root = this.find(i);
      const row = rows.get(root);
      if (row) row.push(i);
      else rows.set(root, [i]);
    }
    return rows;
  }
}
