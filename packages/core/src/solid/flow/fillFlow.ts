import { BLOCK_CORNER } from './counts.ts';
import { fillBlock } from './fillBlock.ts';
import { spanPoints, type FlowBlocks } from './flowBlocks.ts';
import { generalFill } from './generalFill.ts';
import { worstJacobian, type FlowPatch } from './patch.ts';
import type { RingLine } from './ringLine.ts';
import { smooth } from './smooth.ts';
import type { Block } from './blocks.ts';

const ROUNDS = 5;
/** Worse than this goes on. */
const TANGLED = 0.15;
const MORE_ROUNDS = 30;

export type Filled = { ok: true; patch: FlowPatch } | { ok: false; block: Block };

/** Fills all blocks of a layer; its first points are the line's. Fails with the block that could not be filled. */
export function fillFlow(line: RingLine, flow: FlowBlocks): Filled {
  const patch: FlowPatch = { x: [...line.x], y: [...line.y], fixed: line.x.length, quads: [] };
  const rows = flow.chords.map(({ a, b, count }) => chordRow(patch, a, b, count));
  const bounds = { line, flow, rows };
  const loops = flow.blocks.map((block) => loopOf(bounds, block));
  const areas = loops.map((loop) => loopArea(patch, loop));
  const holes = new Map<number, number[][]>();
  for (const [k, loop] of loops.entries()) {
    if (areas[k] > 0) continue;
    const around = smallestAround(patch, loops, areas, { point: loop[0] });
    if (around < 0) return { ok: false, block: flow.blocks[k] };
    holes.set(around, [...(holes.get(around) ?? []), loop]);
  }
  for (const [k, loop] of loops.entries()) {
    if (areas[k] > 0 && !fillOne(patch, [loop, ...(holes.get(k) ?? [])], cornersOf(bounds, flow.blocks[k])))
      return { ok: false, block: flow.blocks[k] };
  }
  smooth(patch, ROUNDS);
  if (worstJacobian(patch) < TANGLED) smooth(patch, MORE_ROUNDS);
  return { ok: true, patch };
}

/** What blocks are bounded by: spans of the line, and rows of points along chords. */
interface BlockBounds {
  line: RingLine;
  flow: FlowBlocks;
  rows: readonly number[][];
}

function chordRow({ x, y }: FlowPatch, a: number, b: number, count: number): number[] {
  const row = [a];
  for (let i = 1; i < count; i++) {
    x.push(x[a] + ((x[b] - x[a]) * i) / count);
    row.push(y.push(y[a] + ((y[b] - y[a]) * i) / count) - 1);
  }
  return [...row, b];
}

/** Points around a block, each edge without its end. */
function loopOf({ line, flow, rows }: BlockBounds, { edges }: Block): number[] {
  return edges.flatMap((edge) => {
    if (edge.kind === 'span') return spanPoints(line, flow, edge).slice(0, -1);
    const row = rows[edge.index];
    return edge.isBack ? row.slice(1).reverse() : row.slice(0, -1);
  });
}

/** Where in its loop a block has its corners. */
function cornersOf({ line, flow, rows }: BlockBounds, { edges, angles }: Block): number[] {
  const found: number[] = [];
  let at = 0;
  edges.forEach((edge, k) => {
    if (angles[k] < BLOCK_CORNER) found.push(at);
    at += (edge.kind === 'span' ? spanPoints(line, flow, edge).length : rows[edge.index].length) - 1;
  });
  return found;
}

function loopArea({ x, y }: FlowPatch, loop: readonly number[]): number {
  let sum = 0;
  for (let i = 0; i < loop.length; i++) {
    const [a, b] = [loop[i], loop[(i + 1) % loop.length]];
    sum += (x[a] - x[loop[0]]) * (y[b] - y[loop[0]]) - (x[b] - x[loop[0]]) * (y[a] - y[loop[0]]);
  }
  return sum;
}

function smallestAround(
  { x, y }: FlowPatch,
  loops: readonly number[][],
  areas: readonly number[],
  { point }: { point: number },
): number {
  let found = -1;
  loops.forEach((loop, k) => {
    if (areas[k] <= 0 || (found >= 0 && areas[k] >= areas[found])) return;
    let isInside = false;
    for (let i = 0; i < loop.length; i++) {
      const [a, b] = [loop[i], loop[(i + 1) % loop.length]];
      const rises = y[a] > y[point] !== y[b] > y[point];
      if (rises && x[point] < x[a] + ((y[point] - y[a]) / (y[b] - y[a])) * (x[b] - x[a])) isInside = !isInside;
    }
    if (isInside) found = k;
  });
  return found;
}

/** One block, its holes after its own loop. */
function fillOne(patch: FlowPatch, loops: readonly number[][], corners: readonly number[]): boolean {
  const points = loops.flat();
  const x = points.map((p) => patch.x[p]);
  const y = points.map((p) => patch.y[p]);
  const start = loops.reduce<number[]>((row, loop) => [...row, row[row.length - 1] + loop.length], [0]);
  const filled = loops.length > 1 ? generalFill({ x, y, start }) : fillBlock({ x, y }, corners);
  if (!filled) return false;
  const first = patch.x.length;
  for (let i = points.length; i < filled.x.length; i++) {
    patch.x.push(filled.x[i]);
    patch.y.push(filled.y[i]);
  }
  for (const q of filled.quads) patch.quads.push(q < points.length ? points[q] : first + q - points.length);
  return true;
}
