import { sidesOf, type Block, type BlockEdge } from './blocks.ts';
import { BLOCK_CORNER } from './counts.ts';
import { FacingSides } from './facingSides.ts';
import { spanPoints, type FlowBlocks } from './flowBlocks.ts';
import { pairUp } from './pairUp.ts';
import type { RingLine } from './ringLine.ts';
import type { RingSplit } from './splitRing.ts';

/** Of a short side's count: the most that is added to it to match the one across. */
const MOST_ADDED = 0.6;

/**
 * Points that the rings lack: every stretch needs an even number of edges, at least two, and a four-sided block the
 * same number on opposite sides, where they face each other. Points are only put into stretches of ring, which belong
 * to one block each.
 */
export function lackingPoints(line: RingLine, flow: FlowBlocks, isPaired: boolean): RingSplit[] {
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
  const sides = new FacingSides(line, flow, points);
  for (const block of isPaired ? flow.blocks : []) {
    for (const [one, other] of oppositeSides(block)) {
      for (const [index, counts] of pair(sides, one, other)) {
        paired.set(index, counts);
        wanted.set(
          index,
          counts.reduce((sum, n) => sum + n + 1, 0),
        );
      }
    }
  }
  const countOf = (e: BlockEdge): number =>
    e.kind === 'span' ? (wanted.get(e.index) ?? 0) : flow.chords[e.index].count;
  for (const block of flow.blocks) matchSides(block, countOf, wanted);
  return spans.flatMap(({ index }) => {
    const row = points.get(index) ?? [];
    const counts = paired.get(index) ?? longestCounts(line, row, (wanted.get(index) ?? 0) - (row.length - 1));
    return counts.flatMap((n, i) => (n > 0 ? [{ from: line.node[row[i]], to: line.node[row[i + 1]], count: n }] : []));
  });
}

/**
 * Points of two facing sides go together where they lie across from each other; one that faces none gets a new one
 * across. Empty where that can't be.
 */
function pair(sides: FacingSides, one: readonly BlockEdge[], other: readonly BlockEdge[]): Map<number, number[]> {
  const [a, b] = [sides.of(one), sides.of(other)];
  const [short, long] = [Math.min(a.edges.length, b.edges.length), Math.max(a.edges.length, b.edges.length)];
  if (long - short > Math.max(2, MOST_ADDED * short)) return new Map();
  const added = pairUp(a.inner, b.inner);
  const found = [sides.counts(a, added[0]), sides.counts(b, added[1])];
  return new Map(found.every((counts) => counts !== undefined) ? found.flatMap((counts) => [...counts]) : []);
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

/** By edge: new points where edges are longest. */
function longestCounts(line: RingLine, points: readonly number[], added: number): number[] {
  const lengths = points.slice(0, -1).map((point) => line.length[point]);
  const count = lengths.map(() => 0);
  for (let k = 0; k < added; k++) {
    const parts = lengths.map((length, i) => length / (count[i] + 1));
    count[parts.reduce((best, part, i) => (part > parts[best] ? i : best), 0)]++;
  }
  return count;
}
