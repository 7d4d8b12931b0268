import type { Vertex, VertexRing } from './outline.ts';

type Point = { x: number; y: number };

/** Source edges in a table of square cells, to be found again by place. */
interface EdgeIndex {
  edges: { a: Vertex; b: Vertex }[];
  cells: Map<number, number[]>;
  cell: number;
}

/** Distance in grid steps within which both ends of an edge must lie on the source edge it came from. */
export const ORIGIN_LIMIT = 2.5;

const CORNER_COSINE = 0.8660254037844387;

/**
 * Gives the edges of `paths`, which a union or an offset made from `sources`, their origin back: the source edge of the
 * same direction that has both ends within `limit`. The best fit wins; an edge without one takes the nearest source
 * edge's letter and no curve. A vertex is a corner where a source vertex at this place is one, or, where there is none,
 * where the ring turns by more than 30 degrees.
 */
export function restoreOrigins(paths: readonly Point[][], sources: readonly VertexRing[], limit: number): VertexRing[] {
  const index = buildIndex(sources);
  const corners = cornerTable(sources);
  return paths.map((path) =>
    path.map((p, i) => {
      const q = path[(i + 1) % path.length];
      const before = path[(i + path.length - 1) % path.length];
      const { curve, t0, t1, letter } = originOf(index, p, q, limit);
      const corner = corners.get(placeKey(p)) ?? (turnsSharply(before, p, q) ? 1 : 0);
      return { x: p.x, y: p.y, curve, t0, t1, letter, corner };
    }),
  );
}

function buildIndex(sources: readonly VertexRing[]): EdgeIndex {
  const edges = sources.flatMap((ring) => ring.map((a, i) => ({ a, b: ring[(i + 1) % ring.length] })));
  let total = 0;
  for (const { a, b } of edges) total += Math.max(Math.abs(a.x - b.x), Math.abs(a.y - b.y));
  const cell = Math.max(16, (2 * total) / Math.max(1, edges.length));
  const cells = new Map<number, number[]>();
  edges.forEach(({ a, b }, i) => {
    visitCells(cell, a, b, {
      margin: 8,
      visit: (key) => {
        const list = cells.get(key);
        if (list) list.push(i);
        else cells.set(key, [i]);
      },
    });
  });
  return { edges, cells, cell };
}

const cellKey = (cx: number, cy: number): number => (cx + 0x2000000) * 0x4000000 + (cy + 0x2000000);

function visitCells(
  cell: number,
  a: Point,
  b: Point,
  { margin, visit }: { margin: number; visit: (key: number) => void },
): void {
  const x0 = Math.floor((Math.min(a.x, b.x) - margin) / cell);
  const x1 = Math.floor((Math.max(a.x, b.x) + margin) / cell);
  const y0 = Math.floor((Math.min(a.y, b.y) - margin) / cell);
  const y1 = Math.floor((Math.max(a.y, b.y) + margin) / cell);
  for (let cx = x0; cx <= x1; cx++) for (let cy = y0; cy <= y1; cy++) visit(cellKey(cx, cy));
}

/** One number for a point of the grid: coordinates are whole and below 2^25. */
const placeKey = ({ x, y }: Point): number => cellKey(x, y);

function cornerTable(sources: readonly VertexRing[]): Map<number, number> {
  const table = new Map<number, number>();
  for (const ring of sources) for (const v of ring) table.set(placeKey(v), v.corner | (table.get(placeKey(v)) ?? 0));
  return table;
}

function turnsSharply(a: Point, b: Point, c: Point): boolean {
  const ux = b.x - a.x;
  const uy = b.y - a.y;
  const vx = c.x - b.x;
  const vy = c.y - b.y;
  return ux * vx + uy * vy < CORNER_COSINE * Math.sqrt((ux * ux + uy * uy) * (vx * vx + vy * vy));
}

type EdgeOrigin = Pick<Vertex, 'curve' | 't0' | 't1' | 'letter'>;

function originOf(index: EdgeIndex, p: Point, q: Point, limit: number): EdgeOrigin {
  const middle = { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 };
  let best = Infinity;
  let found: EdgeOrigin = { curve: -1, t0: 0, t1: 1, letter: 0 };
  visitCells(index.cell, middle, middle, {
    margin: limit,
    visit: (key) => {
      for (const i of index.cells.get(key) ?? []) {
        const { a, b } = index.edges[i];
        const ux = b.x - a.x;
        const uy = b.y - a.y;
        if (ux * (q.x - p.x) + uy * (q.y - p.y) <= 0) continue;
        const atP = alongEdge(a, ux, uy, p);
        const atQ = alongEdge(a, ux, uy, q);
        const worst = Math.max(atP.distance, atQ.distance);
        if (worst >= best) continue;
        best = worst;
        const span = a.t1 - a.t0;
        const fits = worst <= limit;
        found = {
          curve: fits ? a.curve : -1,
          t0: fits ? a.t0 + span * atP.s : 0,
          t1: fits ? a.t0 + span * atQ.s : 1,
          letter: a.letter,
        };
      }
    },
  });
  return found;
}

function alongEdge(a: Vertex, ux: number, uy: number, p: Point): { s: number; distance: number } {
  const s = Math.min(1, Math.max(0, ((p.x - a.x) * ux + (p.y - a.y) * uy) / (ux * ux + uy * uy)));
  const dx = p.x - a.x - s * ux;
  const dy = p.y - a.y - s * uy;
  return { s, distance: Math.sqrt(dx * dx + dy * dy) };
}
