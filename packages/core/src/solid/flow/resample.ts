import { lengthOf } from '../../math/index.ts';
import { doubledArea, fromRings, toRings, type Outline, type Vertex, type VertexRing } from '../../outline/index.ts';
import type { FlowPlan } from './planFlow.ts';
import type { RingLine, RingPlace } from './ringLine.ts';
import type { Station } from './stations.ts';

export interface ResampleOptions {
  size: number;
  /** largest distance of the new outline from the old one where nothing was planned, grid steps */
  tolerance: number;
  /** how far the planned rings lie inside, grid steps */
  inset: number;
}

export interface Resampled {
  outline: Outline;
  /** by station of the plan: its vertex of the new outline, -1 where it has none */
  vertexOf: Int32Array;
  slides: Slide[];
}

/**
 * A vertex beside a concave corner, where the ring is longer than the outline: its image on the planned ring is to lie
 * here.
 */
export interface Slide {
  vertex: number;
  x: number;
  y: number;
}

/** A vertex to be: a place along the old outline, `at` its length from its ring's first vertex. */
interface Mark {
  edge: number;
  along: number;
  at: number;
  /** stations of the plan whose image this is */
  stations: readonly number[];
  /** the drawing's own corners stay */
  isCorner: boolean;
  /** where its image is to lie, if not straight above it */
  aim?: { x: number; y: number };
}

/**
 * The outline with new vertices: where the planned places of the rings come from, the drawing's corners, and between
 * them what the tolerance asks for. A place on a ring comes from where its source edge's normal meets that edge: a face
 * of the roof is monotone along that normal, so no event lies between.
 */
export function resample(outline: Outline, line: RingLine, plan: FlowPlan, options: ResampleOptions): Resampled {
  const course = new RingCourse(outline);
  const marks: Mark[] = [];
  for (let v = 0; v < outline.x.length; v++) {
    if (outline.corner[v]) marks.push(course.vertexMark(v, []));
  }
  const ends = plan.stations.map((station, id) => stationMark(line, course, station, { id: [id] }));
  marks.push(...ends.filter((mark) => mark !== undefined));
  plan.spans.forEach(({ to, places }, from) => {
    marks.push(...spanMarks(line, course, { places, from: ends[from], to: ends[to] }));
  });
  return course.rebuilt(marks, options, plan.stations.length);
}

/** Where a station of a ring comes from; undefined where rings of the outline have met there. */
function stationMark(
  line: RingLine,
  course: RingCourse,
  station: Station,
  { id }: { id: readonly number[] },
): Mark | undefined {
  const { segment, along } = station;
  const after = line.edge[segment];
  const before = line.edge[line.prev[segment]];
  if (station.fan === 'end') return course.vertexMark(after, id);
  if (along === 0 && before !== after) {
    if (course.next[before] === after) return course.vertexMark(after, id);
    return course.markBetween(before, after, id);
  }
  const { mark } = course.foot(after, station, id);
  return mark;
}

/**
 * Feet of the places between two stations; those that fall off their edges beside a concave corner are spread evenly.
 */
function spanMarks(
  line: RingLine,
  course: RingCourse,
  { places, from, to }: { places: readonly RingPlace[]; from?: Mark; to?: Mark },
): Mark[] {
  const feet = places.map((place) => course.foot(line.edge[place.segment], place, []));
  const ring = (edge: number): number => course.ring[edge];
  const isOne =
    from && to && feet.every(({ mark }) => ring(mark.edge) === ring(from.edge)) && ring(to.edge) === ring(from.edge);
  if (!isOne) return feet.filter(({ isOn }) => isOn).map(({ mark }) => mark);
  const around = course.around[from.edge];
  const ahead = (at: number): number => (at > from.at ? at - from.at : at - from.at + around);
  const whole = ahead(to.at);
  const at = feet.map(({ mark, isOn }) => (isOn ? ahead(mark.at) : NaN));
  const isOff = at.some(Number.isNaN);
  // where the end comes from before the start, round a concave corner, there is no stretch to spread anything over
  if (isOff && from !== to && whole > around / 2) return feet.filter(({ isOn }) => isOn).map(({ mark }) => mark);
  let last = 0;
  for (let k = 0; k < at.length; k++) {
    if (at[k] > last && at[k] < whole) last = at[k];
    else at[k] = NaN;
  }
  const known = [0, ...at, whole];
  for (let k = 1; k < known.length - 1; k++) {
    if (!Number.isNaN(known[k])) continue;
    let end = k;
    while (Number.isNaN(known[end])) end++;
    for (let i = k; i < end; i++) known[i] = known[k - 1] + ((known[end] - known[k - 1]) * (i - k + 1)) / (end - k + 1);
  }
  return known.slice(1, -1).map((d, k) => {
    const mark = course.markAt(from.edge, from.at + d);
    return Number.isNaN(at[k]) ? { ...mark, aim: places[k] } : mark;
  });
}

/** An outline measured along its rings. */
class RingCourse {
  readonly #outline: Outline;
  readonly next: Uint32Array;
  readonly ring: Uint32Array;
  readonly at: Float64Array;
  readonly around: Float64Array;
  readonly #length: Float64Array;

  constructor(outline: Outline) {
    const n = outline.x.length;
    this.#outline = outline;
    this.next = new Uint32Array(n);
    this.ring = new Uint32Array(n);
    [this.at, this.around, this.#length] = [0, 0, 0].map(() => new Float64Array(n));
    for (let r = 0; r + 1 < outline.ringStart.length; r++) {
      const [start, end] = [outline.ringStart[r], outline.ringStart[r + 1]];
      let at = 0;
      for (let i = start; i < end; i++) {
        this.next[i] = i + 1 < end ? i + 1 : start;
        this.ring[i] = r;
        this.at[i] = at;
        this.#length[i] = lengthOf(outline.x[this.next[i]] - outline.x[i], outline.y[this.next[i]] - outline.y[i]);
        at += this.#length[i];
      }
      this.around.fill(at, start, end);
    }
  }

  vertexMark(v: number, stations: readonly number[]): Mark {
    return { edge: v, along: 0, at: this.at[v], stations, isCorner: this.#outline.corner[v] === 1 };
  }

  /** Where the normal of an edge through a point meets it. */
  foot(edge: number, { x, y }: { x: number; y: number }, stations: readonly number[]): { mark: Mark; isOn: boolean } {
    const o = this.#outline;
    const to = this.next[edge];
    const [dx, dy] = [o.x[to] - o.x[edge], o.y[to] - o.y[edge]];
    const share = ((x - o.x[edge]) * dx + (y - o.y[edge]) * dy) / (dx * dx + dy * dy);
    const along = Math.min(1, Math.max(0, share));
    const slack = 1e-9 + 1 / this.#length[edge];
    const mark = this.markAt(edge, this.at[edge] + along * this.#length[edge]);
    return { mark: { ...mark, stations }, isOn: share >= -slack && share <= 1 + slack };
  }

  /** Place at a length along the ring of an edge; taken round the ring. */
  markAt(edge: number, at: number): Mark {
    const r = this.ring[edge];
    const [start, end] = [this.#outline.ringStart[r], this.#outline.ringStart[r + 1]];
    const around = this.around[edge];
    const s = at < 0 ? at + around : at >= around ? at - around : at;
    let [low, high] = [start, end - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (this.at[middle] <= s) low = middle;
      else high = middle - 1;
    }
    return { edge: low, along: (s - this.at[low]) / this.#length[low], at: s, stations: [], isCorner: false };
  }

  /**
   * Of the vertices that lie between two edges and met in one point of the ring: a corner, else the one that sticks out
   * most.
   */
  markBetween(before: number, after: number, stations: readonly number[]): Mark | undefined {
    if (this.ring[before] !== this.ring[after]) return undefined;
    const o = this.#outline;
    const [a, b] = [this.next[before], after];
    let [found, most] = [-1, -1];
    for (let v = a, steps = 0; steps <= o.x.length; v = this.next[v], steps++) {
      const out = o.corner[v] * 1e9 + this.#offLine(v, a, b);
      if (out > most) [found, most] = [v, out];
      if (v === b) break;
    }
    // the other way round a ring is no stretch that vanished
    const stretch = this.at[b] - this.at[a];
    if ((stretch < 0 ? stretch + this.around[a] : stretch) > this.around[a] / 2) return undefined;
    return this.vertexMark(found, stations);
  }

  #offLine(v: number, a: number, b: number): number {
    const { x, y } = this.#outline;
    const [dx, dy] = [x[b] - x[a], y[b] - y[a]];
    const l = lengthOf(dx, dy);
    if (l === 0) return lengthOf(x[v] - x[a], y[v] - y[a]);
    return Math.abs(dx * (y[v] - y[a]) - dy * (x[v] - x[a])) / l;
  }

  rebuilt(marks: readonly Mark[], options: ResampleOptions, stationCount: number): Resampled {
    const { ringStart } = this.#outline;
    const vertexOf = new Int32Array(stationCount).fill(-1);
    const rings: VertexRing[] = [];
    const slides: Slide[] = [];
    let count = 0;
    const old = toRings(this.#outline);
    for (let r = 0; r + 1 < ringStart.length; r++) {
      const own = marks.filter(({ edge }) => this.ring[edge] === r);
      const row = this.#filled(thinned(own, this.around[ringStart[r]], options), ringStart[r], options);
      const ring = row.length >= 3 ? distinct(row.map((mark) => this.#vertex(mark))) : [];
      if (ring.length < 3 || doubledArea(ring) * doubledArea(old[r]) <= 0) {
        rings.push(old[r]);
        count += old[r].length;
        continue;
      }
      for (const mark of row) {
        if (mark.stations.length === 0 && !mark.aim) continue;
        const { x, y } = this.#vertex(mark);
        const v = count + ring.findIndex((w) => w.x === x && w.y === y);
        if (mark.aim) slides.push({ vertex: v, x: mark.aim.x, y: mark.aim.y });
        for (const station of mark.stations) vertexOf[station] = v;
      }
      rings.push(ring);
      count += ring.length;
    }
    return { outline: fromRings(rings), vertexOf, slides };
  }

  #vertex({ edge, along, isCorner }: Mark): Vertex {
    const o = this.#outline;
    const to = this.next[edge];
    const [t0, t1] = [o.t0[edge], o.t1[edge]];
    return {
      x: Math.round(o.x[edge] + along * (o.x[to] - o.x[edge])),
      y: Math.round(o.y[edge] + along * (o.y[to] - o.y[edge])),
      curve: o.curve[edge],
      t0: t0 + along * (t1 - t0),
      t1,
      letter: o.letter[edge],
      corner: isCorner ? 1 : 0,
    };
  }

  /** Between marks: what the tolerance asks for, and no gap much longer than the size. */
  #filled(row: readonly Mark[], ringStart: number, options: ResampleOptions): Mark[] {
    const around = this.around[ringStart];
    const first = row.length > 0 ? row : [this.vertexMark(ringStart, [])];
    const filled: Mark[] = [];
    first.forEach((mark, k) => {
      const to = first[(k + 1) % first.length];
      const end = to.at > mark.at ? to.at : to.at + around;
      filled.push(mark, ...this.#between(mark.at, end, ringStart, options));
    });
    return filled.sort((p, q) => p.at - q.at);
  }

  #between(from: number, to: number, ringStart: number, options: ResampleOptions): Mark[] {
    const { size, tolerance, inset } = options;
    const around = this.around[ringStart];
    const place = (at: number): Mark => this.markAt(ringStart, at % around);
    const [a, b] = [this.#vertex(place(from)), this.#vertex(place(to))];
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const chord = lengthOf(dx, dy);
    let [worst, most] = [-1, BEYOND * tolerance];
    const { ringStart: starts } = this.#outline;
    const end = starts[this.ring[ringStart] + 1];
    for (let v = ringStart; v < end; v++) {
      const at = this.at[v] > from ? this.at[v] : this.at[v] + around;
      if (at <= from + NEAR * size || at >= to - NEAR * size) continue;
      const [ex, ey] = [this.#outline.x[v] - a.x, this.#outline.y[v] - a.y];
      const off = chord > 0 ? Math.abs(dx * ey - dy * ex) / chord : lengthOf(ex, ey);
      if (off > most) [worst, most] = [at, off];
    }
    if (worst >= 0) {
      const middle = { ...place(worst) };
      return [
        ...this.#between(from, worst, ringStart, options),
        middle,
        ...this.#between(worst, to, ringStart, options),
      ];
    }
    const longest = Math.max(2.6 * size, 3 * inset);
    const parts = to - from > longest ? Math.ceil((to - from) / size) : 1;
    return Array.from({ length: parts - 1 }, (_, k) => place(from + ((to - from) * (k + 1)) / parts));
  }
}

/**
 * Of the tolerance: planned stretches keep it by their count, so only what lies well beyond is a vertex that is
 * missing.
 */
const BEYOND = 1.5;
/** Of the size: no nearer to a planned vertex than this is one added for the tolerance. */
const NEAR = 0.12;
/** Of the size: planned vertices nearer than this become one. */
const TOO_NEAR = 0.03;

/** In order, none too near to the one before; corners stay before stations, and stations before others. */
function thinned(marks: readonly Mark[], around: number, { size }: ResampleOptions): Mark[] {
  const rank = ({ isCorner, stations }: Mark): number => (isCorner ? 0 : stations.length > 0 ? 1 : 2);
  const sorted = [...marks].sort((p, q) => p.at - q.at || rank(p) - rank(q));
  const kept: Mark[] = [];
  for (const mark of sorted) {
    const last = kept[kept.length - 1];
    if (!last || mark.at - last.at > TOO_NEAR * size) kept.push(mark);
    else kept[kept.length - 1] = merged(last, mark, rank);
  }
  if (kept.length > 1) {
    const [first, last] = [kept[0], kept[kept.length - 1]];
    if (first.at + around - last.at <= TOO_NEAR * size) {
      kept.pop();
      kept[0] = merged(first, last, rank);
    }
  }
  return kept;
}

function merged(one: Mark, other: Mark, rank: (mark: Mark) => number): Mark {
  const [keep, give] = rank(one) <= rank(other) ? [one, other] : [other, one];
  return { ...keep, stations: [...keep.stations, ...give.stations] };
}

const distinct = (ring: VertexRing): VertexRing =>
  ring.filter((v, i) => {
    const before = ring[(i + ring.length - 1) % ring.length];
    return v.x !== before.x || v.y !== before.y;
  });
