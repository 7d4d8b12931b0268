import { Stopped } from '../../base/index.ts';
import type { Outline } from '../../outline/index.ts';
import { EventQueue, type WaveEvent } from './eventQueue.ts';
import { HitFinder } from './hitFinder.ts';
import type { MovingEdges } from './movingEdges.ts';
import { ALONG_SPEED, EPS, GRID_WIDTH, SAME } from './tolerances.ts';
import { Traces } from './traces.ts';
import { newWaveVertex, placeOnLines, xAt, yAt, type WaveVertex } from './waveVertex.ts';

/**
 * The outline moves inward at unit speed, every edge parallel to itself (straight skeleton, Aichholzer and Aurenhammer
 * 1996, as an event simulation). Layers are events too: at each inset of `layers` the front is drawn into the plan as a
 * ring.
 *
 * In doubles, with tolerances; nothing here is proved. What comes out is proved, or refused, by exact sums afterwards
 * (partition.ts). Ways that failed: independent offset rings (no ridges, correspondence lost at every event),
 * brute-force candidates (square in points), treating a hit on a neighbour as a split (fans at sharp corners were
 * merged away at once).
 */
export interface SimulationInput {
  outline: Outline;
  next: Uint32Array;
  edges: MovingEdges;
  /** insets to draw, ascending, all > 0, grid steps */
  layers: readonly number[];
  cancelled?: () => boolean;
}

/** The plan as drawn; undefined when the simulation ran into its cap of events. */
export function simulate(input: SimulationInput): Traces | undefined {
  return new Simulation(input).run();
}

/** Events and searches between two looks at whether it is to stop. */
const ASKED_EVERY = 256;

class Simulation {
  readonly #outline: Outline;
  readonly #next: Uint32Array;
  readonly #edges: MovingEdges;
  readonly #layers: readonly number[];
  readonly #traces = new Traces();
  readonly #queue = new EventQueue();
  /** segments that may be active, by edge: the vertex at which each begins */
  readonly #segments: WaveVertex[][];
  readonly #end: number;
  #alive: WaveVertex[] = [];
  #finder: HitFinder | undefined;
  #slabEnd = 0;
  #band = 0;
  #now = 0;
  #eventsLeft: number;
  #looks = 0;
  readonly #cancelled: (() => boolean) | undefined;

  constructor(input: SimulationInput) {
    this.#outline = input.outline;
    this.#next = input.next;
    this.#edges = input.edges;
    this.#layers = input.layers;
    this.#cancelled = input.cancelled;
    this.#end = input.layers[input.layers.length - 1] + GRID_WIDTH;
    this.#segments = Array.from({ length: input.edges.count }, () => []);
    this.#eventsLeft = 400 * input.edges.count + 10_000;
  }

  run(): Traces | undefined {
    this.#begin();
    this.#traces.outlineSegments = this.#traces.from.length;
    const n = this.#edges.count;
    let slab = Math.max(2 * this.#meanEdge(), this.#end / 32);
    let nextLayer = 0;
    while (nextLayer < this.#layers.length) {
      const slabStart = this.#now;
      this.#slabEnd = Math.min(this.#end, slabStart + slab);
      slab *= 2;
      this.#openSlab(slabStart);
      while (nextLayer < this.#layers.length && this.#layers[nextLayer] + GRID_WIDTH <= this.#slabEnd) {
        if (!this.#work(this.#layers[nextLayer] + GRID_WIDTH)) return undefined;
        this.#drawLayer(nextLayer++);
      }
      if (nextLayer < this.#layers.length && !this.#work(this.#slabEnd)) return undefined;
      this.#now = Math.max(this.#now, this.#slabEnd);
      if (this.#alive.length > 4 * n + 64) this.#alive = this.#alive.filter((v) => v.alive);
    }
    return this.#traces;
  }

  #meanEdge(): number {
    const { x, y } = this.#outline;
    let sum = 0;
    for (let i = 0; i < x.length; i++) sum += Math.abs(x[this.#next[i]] - x[i]) + Math.abs(y[this.#next[i]] - y[i]);
    return sum / Math.max(1, x.length);
  }

  // ---- beginning
  // -------------------------------------------------------------------------------------------------------------

  #begin(): void {
    const { x, y, ringStart } = this.#outline;
    const e = this.#edges;
    for (let r = 0; r + 1 < ringStart.length; r++) {
      const ring: WaveVertex[] = [];
      for (let i = ringStart[r]; i < ringStart[r + 1]; i++) {
        const before = i > ringStart[r] ? i - 1 : ringStart[r + 1] - 1;
        const base = this.#traces.node(x[i], y[i], 0, 0);
        const chain = [before, ...(e.fans.get(i) ?? []), i];
        for (let k = 0; k + 1 < chain.length; k++) {
          const v = newWaveVertex(e, chain[k], chain[k + 1], base);
          placeOnLines(v, e, before, i, x[i], y[i]);
          ring.push(v);
        }
      }
      ring.forEach((v, k) => {
        v.next = ring[(k + 1) % ring.length];
        v.prev = ring[(k + ring.length - 1) % ring.length];
      });
      for (const v of ring) {
        this.#traces.segment(0, v.right, v.node, v.next.node);
        this.#alive.push(v);
        this.#segments[v.right].push(v);
      }
      for (const v of ring) this.#foreseeCollapse(v, v.next);
    }
  }

  // ---- foreseeing
  // ------------------------------------------------------------------------------------------------------------

  #openSlab(start: number): void {
    this.#alive = this.#alive.filter((v) => v.alive);
    if (!this.#alive.some((v) => v.reflex)) {
      this.#finder = undefined;
      return;
    }
    this.#finder = new HitFinder(this.#edges, this.#alive, start, this.#slabEnd);
    for (const v of this.#alive) if (v.reflex) this.#foreseeHits(v);
  }

  #foreseeHits(v: WaveVertex): void {
    if (!this.#finder)
      this.#finder = new HitFinder(
        this.#edges,
        this.#alive.filter((a) => a.alive),
        this.#now,
        this.#slabEnd,
      );
    this.#look();
    v.version++;
    v.hits = this.#finder.hits(v, Math.max(this.#now, v.born));
    this.#nextHit(v);
  }

  /** Ends all of it where it is to stop. */
  #look(): void {
    if (++this.#looks % ASKED_EVERY === 0 && this.#cancelled?.()) throw new Stopped();
  }

  #nextHit(v: WaveVertex): void {
    const hit = v.hits.pop();
    if (hit) this.#queue.push({ ...hit, vertex: v, other: undefined, version: v.version });
  }

  /** Speed at which the segment from a to b grows. */
  #growth(a: WaveVertex, b: WaveVertex): number {
    const e = a.right;
    return this.#edges.dx[e] * (b.vx - a.vx) + this.#edges.dy[e] * (b.vy - a.vy);
  }

  #foreseeCollapse(a: WaveVertex, b: WaveVertex): void {
    if (a.zips || b.zips) return;
    const growth = this.#growth(a, b);
    if (growth >= -1e-14) return;
    const e = a.right;
    const now = Math.max(this.#now, a.born, b.born);
    const length = this.#edges.dx[e] * (xAt(b, now) - xAt(a, now)) + this.#edges.dy[e] * (yAt(b, now) - yAt(a, now));
    const time = now + Math.max(0, length) / -growth;
    if (time <= this.#end) this.#queue.push({ time, vertex: a, other: b, edge: e, version: 0 });
  }

  // ---- events
  // ----------------------------------------------------------------------------------------------------------------

  /** Works all events up to `until`; false when the cap is hit. */
  #work(until: number): boolean {
    while (this.#queue.nextTime <= until) {
      if (this.#eventsLeft-- <= 0) return false;
      this.#look();
      const event = this.#queue.pop() as WaveEvent;
      this.#now = Math.max(this.#now, event.time);
      if (event.other) {
        if (event.vertex.alive && event.other.alive && event.vertex.next === event.other) this.#collapse(event.vertex);
      } else if (event.vertex.alive && event.vertex.version === event.version) {
        this.#hit(event.vertex, event.edge);
      }
    }
    return true;
  }

  /** Inset of a node made now: what happens within a grid width past a layer still belongs to it. */
  #inset(): number {
    const top = this.#layers[Math.min(this.#band, this.#layers.length - 1)];
    return Math.min(this.#now, top);
  }

  #nodeAt(x: number, y: number): number {
    return this.#traces.node(x, y, this.#inset(), -1);
  }

  /** Ends a vertex's trace at a node. */
  #finish(v: WaveVertex, node: number): void {
    v.alive = false;
    this.#draw(v, node);
  }

  #draw(v: WaveVertex, node: number): void {
    const t = this.#traces;
    if (v.node === node) return;
    const dx = t.x[v.node] - t.x[node];
    const dy = t.y[v.node] - t.y[node];
    t.trace(this.#band, v.left, v.right, v.node, node);
    if (dx * dx + dy * dy < SAME * SAME) t.unite(v.node, node);
    v.node = node;
  }

  #collapse(a: WaveVertex): void {
    const b = a.next;
    if (a.prev === b) {
      this.#closePair(a, b);
      return;
    }
    const x = (xAt(a, this.#now) + xAt(b, this.#now)) / 2;
    const y = (yAt(a, this.#now) + yAt(b, this.#now)) / 2;
    const node = this.#nodeAt(x, y);
    this.#finish(a, node);
    this.#finish(b, node);
    this.#join(a.left, b.right, a.prev, b.next, x, y, node);
  }

  /** A ring of two: both edges lie on one line; a ridge joins the two points. */
  #closePair(v: WaveVertex, w: WaveVertex): void {
    const nv = this.#nodeAt(xAt(v, this.#now), yAt(v, this.#now));
    const nw = this.#nodeAt(xAt(w, this.#now), yAt(w, this.#now));
    this.#finish(v, nv);
    this.#finish(w, nw);
    this.#ridge(v.right, w.right, nv, nw);
  }

  /**
   * The faces of `first` (which runs from v to w) and `second` (w to v) meet along the line between nodes nv and nw.
   */
  #ridge(first: number, second: number, nv: number, nw: number): void {
    const t = this.#traces;
    const dx = t.x[nv] - t.x[nw];
    const dy = t.y[nv] - t.y[nw];
    t.trace(this.#band, second, first, nv, nw);
    if (dx * dx + dy * dy < SAME * SAME) t.unite(nv, nw);
  }

  #join(left: number, right: number, prev: WaveVertex, next: WaveVertex, x: number, y: number, node: number): void {
    this.#settle(this.#link(left, right, prev, next, x, y, node));
  }

  /** Puts a new vertex between two others. */
  #link(
    left: number,
    right: number,
    prev: WaveVertex,
    next: WaveVertex,
    x: number,
    y: number,
    node: number,
  ): WaveVertex {
    const v = newWaveVertex(this.#edges, left, right, node);
    v.x = x;
    v.y = y;
    v.born = this.#now;
    v.prev = prev;
    v.next = next;
    prev.next = v;
    next.prev = v;
    this.#segments[right].push(v);
    this.#alive.push(v);
    return v;
  }

  /** Does at once what a new vertex can't wait for, and foresees the rest. */
  #settle(v: WaveVertex): void {
    const { prev, next } = v;
    if (prev === next) this.#closePair(v, prev);
    else if (v.zips) this.#zip(v);
    else if (this.#isSliver(prev, v)) this.#collapse(prev);
    else if (this.#isSliver(v, next)) this.#collapse(v);
    else {
      this.#foreseeCollapse(prev, v);
      this.#foreseeCollapse(v, next);
      if (this.#outruns(v)) this.#openSlab(this.#now);
      else if (v.reflex) this.#foreseeHits(v);
    }
  }

  /** A vertex may lengthen an edge faster than the slab's boxes allow for; then they are made anew from here. */
  #outruns(v: WaveVertex): boolean {
    const { dx, dy } = this.#edges;
    const onLeft = dx[v.left] * v.vx + dy[v.left] * v.vy;
    const onRight = -dx[v.right] * v.vx - dy[v.right] * v.vy;
    return onLeft > ALONG_SPEED || onRight > ALONG_SPEED;
  }

  /** Two new vertices at one place, both in their rings before either is settled. */
  #joinTwo(
    first: [number, number, WaveVertex, WaveVertex],
    second: [number, number, WaveVertex, WaveVertex],
    x: number,
    y: number,
    node: number,
  ): void {
    const one = this.#link(...first, x, y, node);
    const two = this.#link(...second, x, y, node);
    if (one.alive) this.#settle(one);
    if (two.alive) this.#settle(two);
  }

  /** A new segment too short for the grid that will neither vanish nor grow out of it in the time left. */
  #isSliver(a: WaveVertex, b: WaveVertex): boolean {
    if (!a.alive || !b.alive || a.zips || b.zips) return false;
    const dx = xAt(b, this.#now) - xAt(a, this.#now);
    const dy = yAt(b, this.#now) - yAt(a, this.#now);
    if (dx * dx + dy * dy > (GRID_WIDTH / 2) * (GRID_WIDTH / 2)) return false;
    const growth = this.#growth(a, b);
    return growth > -1e-3 && growth < (10 * GRID_WIDTH) / Math.max(GRID_WIDTH, this.#end - this.#now);
  }

  /** v's two edges lie on one line and face each other: they close up to the nearer neighbour. */
  #zip(v: WaveVertex): void {
    const p = v.prev;
    const n = v.next;
    const toPrev = this.#distance(v, p);
    const toNext = this.#distance(v, n);
    if (Math.abs(toPrev - toNext) <= GRID_WIDTH) {
      this.#zipBoth(v, p, n);
      return;
    }
    const near = toPrev < toNext ? p : n;
    const x = xAt(near, this.#now);
    const y = yAt(near, this.#now);
    const node = this.#nodeAt(x, y);
    this.#finish(v, node);
    this.#finish(near, node);
    if (near === p) this.#join(p.left, v.right, p.prev, n, x, y, node);
    else this.#join(v.left, n.right, p, n.next, x, y, node);
  }

  #zipBoth(v: WaveVertex, p: WaveVertex, n: WaveVertex): void {
    const x = (xAt(p, this.#now) + xAt(n, this.#now)) / 2;
    const y = (yAt(p, this.#now) + yAt(n, this.#now)) / 2;
    const node = this.#nodeAt(x, y);
    this.#finish(v, node);
    this.#finish(p, node);
    this.#finish(n, node);
    if (p.prev !== n) this.#join(p.left, n.right, p.prev, n.next, x, y, node);
  }

  #distance(a: WaveVertex, b: WaveVertex): number {
    const dx = xAt(a, this.#now) - xAt(b, this.#now);
    const dy = yAt(a, this.#now) - yAt(b, this.#now);
    return Math.sqrt(dx * dx + dy * dy);
  }

  /**
   * A reflex vertex reaches the line of `edge`: it splits the segment that is there, or meets a vertex, or passes by.
   */
  #hit(v: WaveVertex, edge: number): void {
    const x = xAt(v, this.#now);
    const y = yAt(v, this.#now);
    const a = this.#segmentUnder(edge, x, y);
    if (!a || a === v || a.next === v) {
      this.#nextHit(v);
      return;
    }
    const b = a.next;
    const { dx, dy } = this.#edges;
    const s = dx[edge] * x + dy[edge] * y;
    const fromA = s - dx[edge] * xAt(a, this.#now) - dy[edge] * yAt(a, this.#now);
    const toB = dx[edge] * xAt(b, this.#now) + dy[edge] * yAt(b, this.#now) - s;
    if (fromA <= SAME || toB <= SAME) this.#meet(v, fromA <= toB ? a : b, x, y);
    else this.#split(v, edge, { a, b, x, y });
  }

  #segmentUnder(edge: number, x: number, y: number): WaveVertex | undefined {
    const { dx, dy } = this.#edges;
    const list = this.#segments[edge];
    const s = dx[edge] * x + dy[edge] * y;
    let kept = 0;
    let found: WaveVertex | undefined;
    for (const a of list) {
      if (!a.alive || a.right !== edge) continue;
      list[kept++] = a;
      if (found) continue;
      const sa = dx[edge] * xAt(a, this.#now) + dy[edge] * yAt(a, this.#now);
      const sb = dx[edge] * xAt(a.next, this.#now) + dy[edge] * yAt(a.next, this.#now);
      if (s >= sa - SAME && s <= sb + SAME) found = a;
    }
    list.length = kept;
    return found;
  }

  #split(v: WaveVertex, edge: number, { a, b, x, y }: { a: WaveVertex; b: WaveVertex; x: number; y: number }): void {
    const node = this.#nodeAt(x, y);
    const { prev, next, left, right } = v;
    this.#finish(v, node);
    this.#joinTwo([left, edge, prev, b], [edge, right, a, next], x, y, node);
  }

  /** v runs into the vertex c. */
  #meet(v: WaveVertex, c: WaveVertex, x: number, y: number): void {
    if (c === v.next || c === v.prev) {
      const first = c === v.next ? v : c;
      if (this.#growth(first, first.next) < -1e-12) this.#collapse(first);
      else this.#nextHit(v);
      return;
    }
    if (Math.min(v.born, c.born) > this.#now - EPS || this.#now === 0) {
      // both stem from one meeting a rounding error ago: meeting again would undo it
      this.#nextHit(v);
      return;
    }
    const node = this.#nodeAt(x, y);
    const vPrev = v.prev;
    const vNext = v.next;
    const cPrev = c.prev;
    const cNext = c.next;
    this.#finish(v, node);
    this.#finish(c, node);
    this.#joinTwo([v.left, c.right, vPrev, cNext], [c.left, v.right, cPrev, vNext], x, y, node);
  }

  // ---- layers
  // ----------------------------------------------------------------------------------------------------------------

  #drawLayer(index: number): void {
    const inset = this.#layers[index];
    const t = this.#traces;
    this.#alive = this.#alive.filter((v) => v.alive);
    for (const v of this.#alive) {
      const at = Math.max(inset, Math.min(v.born, this.#now));
      this.#draw(v, t.node(xAt(v, at), yAt(v, at), inset, index + 1));
    }
    for (const v of this.#alive) {
      t.ring(index + 1, v.right, v.node, v.next.node);
      t.segment(this.#band, v.right, v.next.node, v.node);
      if (index + 1 < this.#layers.length) t.segment(this.#band + 1, v.right, v.node, v.next.node);
    }
    this.#band++;
  }
}
