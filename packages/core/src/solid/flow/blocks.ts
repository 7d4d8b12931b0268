import { atan2, PI } from '../../math/index.ts';

/** Stations, the stretches of ring that run from each to the next one, and the chords between them. */
export interface BlockGraph {
  x: ArrayLike<number>;
  y: ArrayLike<number>;
  /** station that the stretch leaving each station ends at */
  spanTo: ArrayLike<number>;
  /** unit directions in which the ring leaves and arrives */
  leaveX: ArrayLike<number>;
  leaveY: ArrayLike<number>;
  arriveX: ArrayLike<number>;
  arriveY: ArrayLike<number>;
  chords: readonly { a: number; b: number }[];
}

/**
 * One side of a block: a stretch (by its first station) or a chord (by its number), walked with the block to the left.
 */
export interface BlockEdge {
  kind: 'span' | 'chord';
  index: number;
  from: number;
  to: number;
  /** a chord walked from its b to its a */
  isBack: boolean;
}

/** A loop of edges around a part of the inside, counter-clockwise; around a hole that no chord reaches clockwise. */
export interface Block {
  edges: BlockEdge[];
  /** inner angle at the start of each edge, radians */
  angles: number[];
}

interface Leaving {
  edge: BlockEdge;
  angle: number;
}

/** Angle counter-clockwise from direction (ax, ay) to (bx, by), in (0, 2 pi]. */
function angleTo(ax: number, ay: number, bx: number, by: number): number {
  const angle = atan2(ax * by - ay * bx, ax * bx + ay * by);
  return angle > 0 ? angle : angle + 2 * PI;
}

/** All loops of a planar graph that keep their left side inside. */
export function traceBlocks(graph: BlockGraph): Block[] {
  const leaving = chordsByStation(graph);
  const used = new Set<string>();
  const blocks: Block[] = [];
  const keyOf = (e: BlockEdge): string => `${e.kind}${e.index}${e.isBack}`;
  const starts: BlockEdge[] = Array.from({ length: graph.spanTo.length }, (_, s) => spanOf(graph, s));
  for (const row of leaving) starts.push(...row.map(({ edge }) => edge));
  for (const start of starts) {
    if (used.has(keyOf(start))) continue;
    const block: Block = { edges: [], angles: [] };
    for (let edge = start; !used.has(keyOf(edge));) {
      used.add(keyOf(edge));
      block.edges.push(edge);
      const { next, angle } = turnLeft(graph, leaving, edge);
      block.angles.push(angle);
      edge = next;
    }
    // angles were met at the edges' ends
    block.angles.unshift(block.angles.pop() as number);
    blocks.push(block);
  }
  return blocks;
}

const spanOf = (graph: BlockGraph, station: number): BlockEdge => ({
  kind: 'span',
  index: station,
  from: station,
  to: graph.spanTo[station],
  isBack: false,
});

/** Chords that leave each station, in the order counter-clockwise from where the ring leaves it. */
function chordsByStation(graph: BlockGraph): Leaving[][] {
  const { x, y, leaveX, leaveY, chords } = graph;
  const rows: Leaving[][] = Array.from({ length: graph.spanTo.length }, () => []);
  const add = (index: number, from: number, to: number, isBack: boolean): void => {
    const angle = angleTo(leaveX[from], leaveY[from], x[to] - x[from], y[to] - y[from]);
    rows[from].push({ edge: { kind: 'chord', index, from, to, isBack }, angle });
  };
  chords.forEach(({ a, b }, i) => {
    add(i, a, b, false);
    add(i, b, a, true);
  });
  for (const row of rows) row.sort((p, q) => p.angle - q.angle);
  return rows;
}

/** The edge that follows with nothing between it and the one that arrives, and the inner angle there. */
function turnLeft(
  graph: BlockGraph,
  leaving: readonly Leaving[][],
  edge: BlockEdge,
): { next: BlockEdge; angle: number } {
  const at = edge.to;
  const row = leaving[at];
  const { leaveX, leaveY, arriveX, arriveY } = graph;
  if (edge.kind === 'span') {
    const back = angleTo(leaveX[at], leaveY[at], -arriveX[at], -arriveY[at]);
    const last = row[row.length - 1];
    return last ? { next: last.edge, angle: back - last.angle } : { next: spanOf(graph, at), angle: back };
  }
  const place = row.findIndex(({ edge: e }) => e.index === edge.index && e.isBack !== edge.isBack);
  const { angle } = row[place];
  return place > 0
    ? { next: row[place - 1].edge, angle: angle - row[place - 1].angle }
    : { next: spanOf(graph, at), angle };
}

/** Of a block with the angles at its edges' starts: the corners, and the edges of each side between them. */
export function sidesOf(block: Block, largestAngle: number): BlockEdge[][] {
  const corners = block.angles.flatMap((angle, k) => (angle < largestAngle ? [k] : []));
  return corners.map((first, c) => {
    const count =
      (corners[(c + 1) % corners.length] - first + block.edges.length) % block.edges.length || block.edges.length;
    return Array.from({ length: count }, (_, i) => block.edges[(first + i) % block.edges.length]);
  });
}
