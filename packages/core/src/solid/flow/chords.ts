import { cos, lengthOf, PI } from '../../math/index.ts';
import { crosses } from './crossing.ts';
import { innerBall } from './innerBall.ts';
import { ringNormal, turnAt, type RingLine, type RingPlace } from './ringLine.ts';
import { CORNER_COSINE } from './cornerCosine.ts';
import type { SoftCorner } from './softCorners.ts';
import { direction, Stations, type Chord, type Station } from './stations.ts';

const cosine = (degrees: number): number => cos((degrees * PI) / 180);

/** A chord leaves a curve within this of its normal, and a corner no nearer than 48 degrees to either side. */
const FROM_NORMAL = cosine(38);
const FROM_SIDE = cosine(48);
const FROM_CHORD = cosine(40);
/** The shorter way round between both ends is so many times longer than the chord: else it only cuts off a corner. */
const DETOUR = 1.35;
const SHORTEST = 0.03;
const LONGEST = 30;

interface Candidate {
  start: RingPlace;
  /** a corner's station */
  station: number | undefined;
  end: RingPlace;
  length: number;
  rank: number;
}

/**
 * Chords that cut the inside into blocks: across the strokes, along maximal inner balls, from concave corners first,
 * then where curves pass multiples of 90 and of 45 degrees; the shortest first. `reach`: what counts as touching, grid
 * steps. Method: docs/geometry.md, flow.
 */
export function findChords(
  line: RingLine,
  soft: readonly SoftCorner[],
  { size, reach }: { size: number; reach: number },
): Stations {
  const found = new Stations(line, soft);
  const candidates = [...cornerCandidates(line, found), ...curveCandidates(line)];
  candidates.sort((a, b) => a.rank - b.rank || a.length - b.length || a.start.segment - b.start.segment);
  const judge = new Judge(line, found, { size, reach });
  for (const candidate of candidates) judge.take(candidate);
  return found;
}

function candidate(
  line: RingLine,
  i: number,
  { nx, ny, rank, station }: { nx: number; ny: number; rank: number; station?: number },
): Candidate[] {
  const start = { segment: i, along: 0, x: line.x[i], y: line.y[i] };
  const touch = innerBall(line, { px: start.x, py: start.y, nx, ny, skip: [i, line.prev[i]] });
  if (!touch) return [];
  const length = lengthOf(touch.place.x - start.x, touch.place.y - start.y);
  return length > 0 ? [{ start, station, end: touch.place, length, rank }] : [];
}

function cornerCandidates(line: RingLine, { stations }: Stations): Candidate[] {
  return stations.flatMap(({ segment: i, turn, fan, before: b, after: a }, station) => {
    if (turn.sine >= 0 && turn.cosine > -0.99) return [];
    const [before, after] = [
      { nx: b.x, ny: b.y },
      { nx: a.x, ny: a.y },
    ];
    const middle = ringNormal(line, i);
    const both = turn.cosine < cosine(50) ? [before, after] : [{ nx: middle.x, ny: middle.y }];
    // the steps round a sharp corner are no sides
    const normals = fan === 'start' ? [before] : fan === 'end' ? [after] : both;
    return normals.flatMap((normal) => candidate(line, i, { ...normal, rank: 0, station }));
  });
}

/** Where the direction of travel passes an axis or a diagonal. */
function curveCandidates(line: RingLine): Candidate[] {
  const found: Candidate[] = [];
  for (let i = 0; i < line.x.length; i++) {
    if (turnAt(line, i).cosine < CORNER_COSINE || line.fan[i] !== 'none') continue;
    const j = line.prev[i];
    const passes = (u: number, v: number): boolean => u <= 0 !== v <= 0 || u >= 0 !== v >= 0;
    const [ax, ay, bx, by] = [line.nx[j], line.ny[j], line.nx[i], line.ny[i]];
    const rank =
      passes(ax, bx) || passes(ay, by) ? 1 : passes(ax - ay, bx - by) || passes(ax + ay, bx + by) ? 2 : undefined;
    if (rank === undefined) continue;
    const { x: nx, y: ny } = ringNormal(line, i);
    found.push(...candidate(line, i, { nx, ny, rank }));
  }
  return found;
}

/** Takes candidates one by one, if they go with those taken before. */
class Judge {
  readonly #line: RingLine;
  readonly #found: Stations;
  readonly #size: number;
  readonly #reach: number;

  constructor(line: RingLine, found: Stations, { size, reach }: { size: number; reach: number }) {
    this.#line = line;
    this.#found = found;
    this.#size = size;
    this.#reach = reach;
  }

  take({ start, station, end, length }: Candidate): void {
    const size = this.#size;
    if (length < SHORTEST * size || length > LONGEST * size) return;
    const least = Math.min(Math.max(0.35 * length, 0.6 * size), size);
    if (station === undefined && this.#found.nearest(start).distance < 1.6 * least) return;
    const from = station ?? start;
    const landing = this.#landing(end, length, least);
    if (landing !== undefined) {
      if (this.#fits(from, landing)) return this.#add(from, landing);
      if (this.#found.between(this.#found.stations[landing], end) <= 0.5 * least) return;
    }
    // beside another chord there is nothing left to cut
    if (station === undefined && this.#found.nearest(end).distance < 1.6 * least) return;
    if (this.#fits(from, end)) this.#add(from, end);
  }

  /** The station that a chord's end is drawn to. */
  #landing(end: RingPlace, length: number, least: number): number | undefined {
    const { id, distance } = this.#found.nearest(end);
    if (id < 0) return undefined;
    const { isCorner, turn } = this.#found.stations[id];
    const isConcave = isCorner && turn.sine < 0;
    const draws = isConcave ? Math.max(1.2 * least, 0.35 * length) : Math.max(0.8 * least, 0.15 * length);
    return distance < draws ? id : undefined;
  }

  #placeOf(end: number | RingPlace): RingPlace {
    return typeof end === 'number' ? this.#found.stations[end] : end;
  }

  #fits(from: number | RingPlace, to: number | RingPlace): boolean {
    const found = this.#found;
    if (from === to || (typeof from === 'number' && typeof to === 'number' && found.has(from, to))) return false;
    const [a, b] = [this.#placeOf(from), this.#placeOf(to)];
    const length = lengthOf(b.x - a.x, b.y - a.y);
    if (!(length > this.#reach) || found.between(a, b) < DETOUR * length) return false;
    const way = direction(a, b);
    const back = { x: -way.x, y: -way.y };
    if (!this.#leaves(from, way) || !this.#leaves(to, back)) return false;
    if (found.chords.some(({ a: p, b: q }) => crosses(a, b, found.stations[p], found.stations[q], this.#reach)))
      return false;
    return !this.#meetsRing(a, b);
  }

  /** A chord goes squarely enough from where it starts, and not beside another. */
  #leaves(end: number | RingPlace, way: { x: number; y: number }): boolean {
    const line = this.#line;
    const { segment: i, along } = this.#placeOf(end);
    if (typeof end === 'number') {
      const station = this.#found.stations[end];
      if (this.#found.directionsAt(end).some((d) => d.x * way.x + d.y * way.y > FROM_CHORD)) return false;
      if (station.isCorner) return leavesCorner(station, way);
    }
    const normal = along === 0 ? ringNormal(line, i) : { x: line.nx[i], y: line.ny[i] };
    return normal.x * way.x + normal.y * way.y >= FROM_NORMAL;
  }

  #meetsRing(a: RingPlace, b: RingPlace): boolean {
    const { x, y, next } = this.#line;
    const [minX, maxX] = [Math.min(a.x, b.x), Math.max(a.x, b.x)];
    const [minY, maxY] = [Math.min(a.y, b.y), Math.max(a.y, b.y)];
    for (let i = 0; i < x.length; i++) {
      const to = next[i];
      if (Math.max(x[i], x[to]) < minX || Math.min(x[i], x[to]) > maxX) continue;
      if (Math.max(y[i], y[to]) < minY || Math.min(y[i], y[to]) > maxY) continue;
      if (crosses(a, b, { x: x[i], y: y[i] }, { x: x[to], y: y[to] }, this.#reach)) return true;
    }
    return false;
  }

  #add(from: number | RingPlace, to: number | RingPlace): void {
    const found = this.#found;
    const chord: Chord = {
      a: typeof from === 'number' ? from : found.add(from),
      b: typeof to === 'number' ? to : found.add(to),
    };
    found.chords.push(chord);
  }
}

/** Between the two sides of a corner, and far enough from both. */
function leavesCorner({ before, after, turn }: Station, way: { x: number; y: number }): boolean {
  const on = { x: after.y, y: -after.x };
  const back = { x: -before.y, y: before.x };
  if (on.x * way.x + on.y * way.y > FROM_SIDE || back.x * way.x + back.y * way.y > FROM_SIDE) return false;
  const leftOfOn = after.x * way.x + after.y * way.y > 0;
  const leftOfBack = before.x * way.x + before.y * way.y > 0;
  return turn.sine >= 0 ? leftOfOn && leftOfBack : leftOfOn || leftOfBack;
}
