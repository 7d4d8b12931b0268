import type { MovingEdges } from './movingEdges.ts';
import { ALONG_SPEED, EPS } from './tolerances.ts';
import { xAt, yAt, type WaveVertex } from './waveVertex.ts';

/** Up to so many segments are simply all looked at. */
const BRUTE_FORCE = 40;

/**
 * Within one slab of time, finds the edges that a reflex vertex may run into. Every active segment is entered into a
 * grid of square cells with the box that its line sweeps in the slab; a vertex asks the cells of its own path. Cells
 * are stored in compressed rows.
 */
export class HitFinder {
  readonly #edges: MovingEdges;
  readonly #start: number;
  readonly #end: number;
  /** range along its own direction that the segments of an edge can reach in this slab */
  readonly #low: Float64Array;
  readonly #high: Float64Array;
  readonly #active: number[] = [];
  #cell = 0;
  #minX = 0;
  #minY = 0;
  #columns = 0;
  #rows = 0;
  #cellStart = new Uint32Array(0);
  #cellEdges = new Uint32Array(0);
  readonly #seen: Uint32Array;
  #query = 0;

  constructor(edges: MovingEdges, segments: readonly WaveVertex[], start: number, end: number) {
    this.#edges = edges;
    this.#start = start;
    this.#end = end;
    this.#low = new Float64Array(edges.count).fill(Infinity);
    this.#high = new Float64Array(edges.count).fill(-Infinity);
    this.#seen = new Uint32Array(edges.count);
    this.#measure(segments);
    if (this.#active.length > BRUTE_FORCE) this.#buildGrid();
  }

  #measure(segments: readonly WaveVertex[]): void {
    const { dx, dy } = this.#edges;
    const duration = this.#end - this.#start;
    for (const a of segments) {
      const e = a.right;
      const b = a.next;
      if (this.#low[e] === Infinity) this.#active.push(e);
      const sa = dx[e] * xAt(a, this.#start) + dy[e] * yAt(a, this.#start);
      const sb = dx[e] * xAt(b, this.#start) + dy[e] * yAt(b, this.#start);
      const speedA = Math.max(ALONG_SPEED, -dx[e] * a.vx - dy[e] * a.vy);
      const speedB = Math.max(ALONG_SPEED, dx[e] * b.vx + dy[e] * b.vy);
      this.#low[e] = Math.min(this.#low[e], sa - speedA * duration - 1);
      this.#high[e] = Math.max(this.#high[e], sb + speedB * duration + 1);
    }
  }

  #boxOf(e: number): [number, number, number, number] {
    const { nx, ny, dx, dy, c } = this.#edges;
    const c0 = c[e] + this.#start;
    const c1 = c[e] + this.#end;
    const ax = dx[e] * this.#low[e];
    const bx = dx[e] * this.#high[e];
    const ay = dy[e] * this.#low[e];
    const by = dy[e] * this.#high[e];
    return [
      Math.min(ax, bx) + Math.min(nx[e] * c0, nx[e] * c1),
      Math.min(ay, by) + Math.min(ny[e] * c0, ny[e] * c1),
      Math.max(ax, bx) + Math.max(nx[e] * c0, nx[e] * c1),
      Math.max(ay, by) + Math.max(ny[e] * c0, ny[e] * c1),
    ];
  }

  #buildGrid(): void {
    const boxes = this.#active.map((e) => this.#boxOf(e));
    let maxX = -Infinity;
    let maxY = -Infinity;
    this.#minX = Infinity;
    this.#minY = Infinity;
    for (const [x0, y0, x1, y1] of boxes) {
      this.#minX = Math.min(this.#minX, x0);
      this.#minY = Math.min(this.#minY, y0);
      maxX = Math.max(maxX, x1);
      maxY = Math.max(maxY, y1);
    }
    const area = (maxX - this.#minX) * (maxY - this.#minY);
    this.#cell = Math.max(0.7 * Math.sqrt(area / boxes.length), this.#end - this.#start, 1);
    this.#columns = Math.floor((maxX - this.#minX) / this.#cell) + 1;
    this.#rows = Math.floor((maxY - this.#minY) / this.#cell) + 1;
    const counts = new Uint32Array(this.#columns * this.#rows + 1);
    for (const box of boxes) this.#visit(box, (cell) => counts[cell + 1]++);
    for (let i = 1; i < counts.length; i++) counts[i] += counts[i - 1];
    this.#cellStart = counts;
    this.#cellEdges = new Uint32Array(counts[counts.length - 1]);
    const fill = counts.slice();
    boxes.forEach((box, i) => this.#visit(box, (cell) => (this.#cellEdges[fill[cell]++] = this.#active[i])));
  }

  #visit(box: readonly [number, number, number, number], visit: (cell: number) => void): void {
    const clamp = (value: number, limit: number): number => Math.min(limit - 1, Math.max(0, Math.floor(value)));
    const x0 = clamp((box[0] - this.#minX) / this.#cell, this.#columns);
    const x1 = clamp((box[2] - this.#minX) / this.#cell, this.#columns);
    const y0 = clamp((box[1] - this.#minY) / this.#cell, this.#rows);
    const y1 = clamp((box[3] - this.#minY) / this.#cell, this.#rows);
    for (let cy = y0; cy <= y1; cy++) for (let cx = x0; cx <= x1; cx++) visit(cy * this.#columns + cx);
  }

  /** Hits of a reflex vertex from `now` to the slab's end, soonest last. */
  hits(v: WaveVertex, now: number): { time: number; edge: number }[] {
    const hits: { time: number; edge: number }[] = [];
    if (this.#cellStart.length === 0) {
      for (const e of this.#active) this.#consider(v, now, e, hits);
    } else {
      this.#query++;
      const x0 = xAt(v, now);
      const y0 = yAt(v, now);
      const x1 = xAt(v, this.#end);
      const y1 = yAt(v, this.#end);
      this.#visit([Math.min(x0, x1) - 1, Math.min(y0, y1) - 1, Math.max(x0, x1) + 1, Math.max(y0, y1) + 1], (cell) => {
        for (let i = this.#cellStart[cell]; i < this.#cellStart[cell + 1]; i++) {
          const e = this.#cellEdges[i];
          if (this.#seen[e] === this.#query) continue;
          this.#seen[e] = this.#query;
          this.#consider(v, now, e, hits);
        }
      });
    }
    return hits.sort((a, b) => b.time - a.time || b.edge - a.edge);
  }

  #consider(v: WaveVertex, now: number, e: number, hits: { time: number; edge: number }[]): void {
    if (e === v.left || e === v.right) return;
    const { nx, ny, dx, dy, c } = this.#edges;
    const closing = 1 - nx[e] * v.vx - ny[e] * v.vy;
    if (closing <= 1e-12) return;
    const x = xAt(v, now);
    const y = yAt(v, now);
    const distance = nx[e] * x + ny[e] * y - c[e] - now;
    if (distance < -EPS) return;
    const wait = Math.max(0, distance / closing);
    const time = now + wait;
    if (time > this.#end) return;
    const along = dx[e] * (x + v.vx * wait) + dy[e] * (y + v.vy * wait);
    if (along < this.#low[e] || along > this.#high[e]) return;
    hits.push({ time, edge: e });
  }
}
