import { lengthOf } from '../../math/index.ts';
import { lengthTo, turnAt, type FanPlace, type RingLine, type RingPlace } from './ringLine.ts';
import { CORNER_COSINE } from './cornerCosine.ts';
import { normalBeyond, type SoftCorner } from './softCorners.ts';

/** A place on the rings where a chord may end: every corner, and where chords land. */
export interface Station extends RingPlace {
  /** length along its ring from the ring's first point */
  at: number;
  ringStart: number;
  /** the rings turn here by more than 30 degrees */
  isCorner: boolean;
  /** sine and cosine of the turn; a curve's is none */
  turn: { sine: number; cosine: number };
  fan: FanPlace;
  /** unit normals of the sides that meet here; of a bend those beyond it */
  before: { x: number; y: number };
  after: { x: number; y: number };
  /** how far a bend reaches to either side; 0: no bend */
  reach: number;
}

/** A straight cut through the inside from station to station. */
export interface Chord {
  a: number;
  b: number;
}

/** Stations and the chords between them, with what is needed to judge the next chord. */
export class Stations {
  readonly stations: Station[] = [];
  readonly chords: Chord[] = [];
  readonly #line: RingLine;
  readonly #byRing = new Map<number, number[]>();

  constructor(line: RingLine, soft: readonly SoftCorner[] = []) {
    this.#line = line;
    for (const corner of soft) this.#addBend(corner);
    for (let i = 0; i < line.x.length; i++)
      if (turnAt(line, i).cosine < CORNER_COSINE && line.fan[i] !== 'inside') this.#addCorner(i);
  }

  #addCorner(i: number): void {
    const { x, y, at, ring } = this.#line;
    this.#add({
      segment: i,
      along: 0,
      x: x[i],
      y: y[i],
      at: at[i],
      ringStart: ring[i],
      isCorner: true,
      turn: turnAt(this.#line, i),
      fan: this.#line.fan[i],
      ...sidesAt(this.#line, i, this.#line.prev[i]),
      reach: 0,
    });
  }

  #addBend({ point: i, length }: SoftCorner): void {
    const line = this.#line;
    const [before, after] = [normalBeyond(line, i, -0.6 * length), normalBeyond(line, i, 0.6 * length)];
    const turn = { sine: before.x * after.y - before.y * after.x, cosine: before.x * after.x + before.y * after.y };
    const place = { segment: i, along: 0, x: line.x[i], y: line.y[i], at: line.at[i], ringStart: line.ring[i] };
    this.#add({ ...place, isCorner: true, turn, fan: 'none', before, after, reach: 0.6 * length });
  }

  #add(station: Station): number {
    const id = this.stations.push(station) - 1;
    const row = this.#byRing.get(station.ringStart);
    if (row) row.push(id);
    else this.#byRing.set(station.ringStart, [id]);
    return id;
  }

  /** A station on a curve or a straight stretch. */
  add(place: RingPlace): number {
    const ringStart = this.#line.ring[place.segment];
    const turn = { sine: 0, cosine: 1 };
    return this.#add({
      ...place,
      at: lengthTo(this.#line, place),
      ringStart,
      isCorner: false,
      turn,
      fan: 'none',
      ...sidesAt(this.#line, place.segment, place.segment),
      reach: 0,
    });
  }

  /** Length along the ring between two places, the shorter way; of different rings infinite. */
  between(a: Pick<RingPlace, 'segment' | 'along'>, b: Pick<RingPlace, 'segment' | 'along'>): number {
    const { ring, around } = this.#line;
    if (ring[a.segment] !== ring[b.segment]) return Infinity;
    const straight = Math.abs(lengthTo(this.#line, a) - lengthTo(this.#line, b));
    return Math.min(straight, around[a.segment] - straight);
  }

  /** The station nearest to a place along its ring. */
  nearest(place: Pick<RingPlace, 'segment' | 'along'>): { id: number; distance: number } {
    let [id, distance] = [-1, Infinity];
    for (const s of this.#byRing.get(this.#line.ring[place.segment]) ?? []) {
      const d = this.between(this.stations[s], place);
      if (d < distance) [id, distance] = [s, d];
    }
    return { id, distance };
  }

  /** Stations of a ring in the order along it. */
  along(ringStart: number): number[] {
    return [...(this.#byRing.get(ringStart) ?? [])].sort((a, b) => this.stations[a].at - this.stations[b].at || a - b);
  }

  /** Unit directions of the chords that leave a station. */
  directionsAt(id: number): { x: number; y: number }[] {
    return this.chords
      .filter(({ a, b }) => a === id || b === id)
      .map(({ a, b }) => direction(this.stations[id], this.stations[a === id ? b : a]));
  }

  has(a: number, b: number): boolean {
    return this.chords.some((c) => (c.a === a && c.b === b) || (c.a === b && c.b === a));
  }
}

const sidesAt = ({ nx, ny }: RingLine, after: number, before: number): Pick<Station, 'before' | 'after'> => ({
  before: { x: nx[before], y: ny[before] },
  after: { x: nx[after], y: ny[after] },
});

export function direction(from: { x: number; y: number }, to: { x: number; y: number }): { x: number; y: number } {
  const [x, y] = [to.x - from.x, to.y - from.y];
  const l = lengthOf(x, y);
  return { x: x / l, y: y / l };
}
