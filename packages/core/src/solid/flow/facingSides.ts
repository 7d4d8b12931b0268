import { lengthOf } from '../../math/index.ts';
import type { BlockEdge } from './blocks.ts';
import type { FlowBlocks } from './flowBlocks.ts';
import type { PointRow } from './pairUp.ts';
import type { RingLine } from './ringLine.ts';

/** One side of a block as a row of points. */
export interface SideRow {
  inner: PointRow;
  /**
   * by edge between its points: the stretch of ring and the edge of it; undefined on a chord, which gets no new points
   */
  edges: ({ span: number; edge: number } | undefined)[];
}

/** Sides of blocks, over stretches of rings and chords. */
export class FacingSides {
  readonly #line: RingLine;
  readonly #flow: FlowBlocks;
  /** of each stretch, both ends included */
  readonly #points: ReadonlyMap<number, number[]>;

  constructor(line: RingLine, flow: FlowBlocks, points: ReadonlyMap<number, number[]>) {
    this.#line = line;
    this.#flow = flow;
    this.#points = points;
  }

  of(side: readonly BlockEdge[]): SideRow {
    const places: [number, number][] = [];
    const edges: SideRow['edges'] = [];
    for (const part of side) {
      const row = this.#placesOf(part);
      places.push(...(places.length > 0 ? row.slice(1) : row));
      for (let edge = 0; edge + 1 < row.length; edge++)
        edges.push(part.kind === 'span' ? { span: part.index, edge } : undefined);
    }
    return { inner: rowOf(places), edges };
  }

  #placesOf({ kind, index, from, to }: BlockEdge): [number, number][] {
    const { x, y } = this.#line;
    if (kind === 'span') return (this.#points.get(index) ?? []).map((i) => [x[i], y[i]]);
    const [a, b] = [this.#flow.stations[from], this.#flow.stations[to]];
    const { count } = this.#flow.chords[index];
    return Array.from({ length: count + 1 }, (_, k) => [
      x[a] + ((x[b] - x[a]) * k) / count,
      y[a] + ((y[b] - y[a]) * k) / count,
    ]);
  }

  /**
   * New points by edge of each stretch of a side; what a chord was to get goes to the nearest stretch. Undefined where
   * there is none.
   */
  counts({ edges }: SideRow, added: readonly number[]): Map<number, number[]> | undefined {
    const found = new Map<number, number[]>();
    for (const at of edges)
      if (at && !found.has(at.span))
        found.set(at.span, new Array<number>((this.#points.get(at.span)?.length ?? 1) - 1).fill(0));
    for (const [i, n] of added.entries()) {
      if (n === 0) continue;
      const at = nearestStretch(edges, i);
      const row = at && found.get(at.span);
      if (!row) return undefined;
      row[at.edge] += n;
    }
    return found;
  }
}

function nearestStretch(edges: SideRow['edges'], i: number): SideRow['edges'][number] {
  for (let by = 0; by < edges.length; by++) {
    const found = edges[i - by] ?? edges[i + by];
    if (found) return found;
  }
  return undefined;
}

function rowOf(places: readonly [number, number][]): PointRow {
  const n = places.length;
  const row = { x: [], y: [], right: [], up: [] } as { [K in 'x' | 'y' | 'right' | 'up']: number[] };
  let whole = 0;
  for (let i = 1; i < n; i++) {
    whole += lengthOf(places[i][0] - places[i - 1][0], places[i][1] - places[i - 1][1]);
    if (i + 1 === n) continue;
    const [dx, dy] = [places[i + 1][0] - places[i - 1][0], places[i + 1][1] - places[i - 1][1]];
    const length = lengthOf(dx, dy) || 1;
    row.x.push(places[i][0]);
    row.y.push(places[i][1]);
    row.right.push(dx / length);
    row.up.push(dy / length);
  }
  return { ...row, spacing: whole / (n - 1) };
}
