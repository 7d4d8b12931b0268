import { sidesOf, type Block, type BlockEdge } from './blocks.ts';
import { BLOCK_CORNER } from './counts.ts';
import { spanPoints, type FlowBlocks } from './flowBlocks.ts';
import { pairUp, type PointRow } from './pairUp.ts';
import type { RingLine } from './ringLine.ts';
import type { RingSplit } from './splitRing.ts';

/** Of a short side's count: the most that is added to it to match the one across. */
const MOST_ADDED = 0.6;

/**
 * Points that the rings lack: every stretch needs an even number of edges, at least two, and a four-sided block the same number on opposite sides, where they face each
 * other. Points are only put into stretches of ring, which belong to one block each.
 */
export function lackingPoints(line: RingLine, flow: FlowBlocks): RingSplit[] {
  const points = new Map<number, number[]>();
  const wanted = new Map<number, number>();
  const spans = flow.blocks.flatMap(({ edges }) => edges.filter(({ kind }) => kind === 'span'));
  for (const span of spans) {
    const row = spanPoints(line, flow, span);
    const have = row.length - 1;
    points.set(span.index, row);
    wanted.set(span.index, Math.max(have + (have % 2), span.from === span.to ? 6 : 2));
  }
  const paired = new Map<number, number[]>();
  for (const block of flow.blocks) for (const [one, other] of facingSpans(block)) pair(line, { one, other }, { points, wanted, paired }); // prettier-ignore
  const countOf = (e: BlockEdge): number =>
    e.kind === 'span' ? (wanted.get(e.index) ?? 0) : flow.chords[e.index].count;
  for (const block of flow.blocks) matchSides(block, countOf, wanted);
  return spans.flatMap(({ index }) => {
    const row = points.get(index) ?? [];
    const counts =
      paired.get(index) ?? longestCounts(lengthsOf(line, row), (wanted.get(index) ?? 0) - (row.length - 1));
    return counts.flatMap((n, i) => (n > 0 ? [{ from: line.node[row[i]], to: line.node[row[i + 1]], count: n }] : []));
  });
}

function matchSides(block: Block, countOf: (e: BlockEdge) => number, wanted: Map<number, number>): void {
  const sum = (side: readonly BlockEdge[]): number => side.reduce((total, e) => total + countOf(e), 0);
  for (const [one, other] of oppositeSides(block)) {
    const missing = sum(other) - sum(one);
    const short = missing > 0 ? one : other;
    const span = short.filter(({ kind }) => kind === 'span').sort((p, q) => countOf(q) - countOf(p))[0];
    if (missing === 0 || !span || Math.abs(missing) > Math.max(2, MOST_ADDED * sum(short))) continue;
    wanted.set(span.index, countOf(span) + Math.abs(missing));
  }
}

function oppositeSides(block: Block): [BlockEdge[], BlockEdge[]][] {
  const sides = sidesOf(block, BLOCK_CORNER);
  if (sides.length !== 4) return [];
  return [
    [sides[0], sides[2]],
    [sides[1], sides[3]],
  ];
}

/** Stretches of ring that face each other across a four-sided block. */
function facingSpans(block: Block): [number, number][] {
  return oppositeSides(block).flatMap(([one, other]): [number, number][] =>
    one.length === 1 && other.length === 1 && one[0].kind === 'span' && other[0].kind === 'span'
      ? [[one[0].index, other[0].index]]
      : [],
  );
}

interface Lacking {
  points: ReadonlyMap<number, number[]>;
  wanted: Map<number, number>;
  /** points to be added, by edge, of stretches that were paired */
  paired: Map<number, number[]>;
}

/** Points of two facing stretches go together where they lie across from each other; one that faces none gets a new one across. */
function pair(
  line: RingLine,
  { one, other }: { one: number; other: number },
  { points, wanted, paired }: Lacking,
): void {
  const [a, b] = [points.get(one) ?? [], points.get(other) ?? []];
  const [short, long] = [Math.min(a.length, b.length) - 1, Math.max(a.length, b.length) - 1];
  if (one === other || long - short > Math.max(2, MOST_ADDED * short)) return;
  const added = pairUp(rowOf(line, a), rowOf(line, b));
  const total = a.length - 1 + added[0].reduce((sum, n) => sum + n, 0);
  // an odd number, or a single edge: one more on both sides where both are longest
  const more = Math.max(total % 2, 2 - total);
  if (more > 0) widen([lengthsOf(line, a), lengthsOf(line, b)], added);
  paired.set(one, added[0]).set(other, added[1]);
  wanted.set(one, total + more).set(other, total + more);
}

/** One more point on both sides, in edges that face each other. */
function widen(lengths: readonly (readonly number[])[], counts: readonly number[][]): void {
  const edges = counts.map((row) => row.flatMap((n, i) => new Array<number>(n + 1).fill(i)));
  const facing = edges[1].reverse();
  const part = (k: 0 | 1, edge: number): number => lengths[k][edge] / (counts[k][edge] + 1);
  const at = longestOf(edges[0].map((edge, i) => part(0, edge) + part(1, facing[i])));
  counts[0][edges[0][at]]++;
  counts[1][facing[at]]++;
}

const lengthsOf = (line: RingLine, points: readonly number[]): number[] =>
  points.slice(0, -1).map((point) => line.length[point]);

/** The inner points of a stretch. */
function rowOf(line: RingLine, points: readonly number[]): PointRow {
  const inner = points.slice(1, -1);
  const lengths = lengthsOf(line, points);
  return {
    x: inner.map((i) => line.x[i]),
    y: inner.map((i) => line.y[i]),
    right: inner.map((i) => line.ny[i]),
    up: inner.map((i) => 0 - line.nx[i]),
    spacing: lengths.reduce((sum, length) => sum + length, 0) / lengths.length,
  };
}

const longestOf = (lengths: readonly number[]): number =>
  lengths.reduce((best, length, i) => (length > lengths[best] ? i : best), 0);

/** By edge: new points where edges are longest. */
function longestCounts(lengths: readonly number[], added: number): number[] {
  const count = lengths.map(() => 0);
  for (let k = 0; k < added; k++) count[longestOf(lengths.map((length, i) => length / (count[i] + 1)))]++;
  return count;
}
