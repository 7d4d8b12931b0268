import { lengthOf } from '../../math/index.ts';
import { sidesOf, traceBlocks, type Block, type BlockGraph } from './blocks.ts';
import { findChords } from './chords.ts';
import { BLOCK_CORNER, evenCounts, type Wanted } from './counts.ts';
import { ringPlace, type RingLine, type RingPlace } from './ringLine.ts';
import { localSizes, type LocalSizes, type SizeOptions } from './sizes.ts';
import { softCorners } from './softCorners.ts';
import { spanDeviation } from './spanDeviation.ts';
import { straightAcross, type FlowSide } from './straightAcross.ts';
import { Stations, type Chord, type Station } from './stations.ts';

export interface FlowOptions extends SizeOptions {
  /** what counts as touching, grid steps */
  reach: number;
  /** false: the rings are only cut evenly */
  withChords: boolean;
  /** distance of a place beside every corner, so that rounding keeps it; grid steps, 0: none */
  support: number;
}

/** How the rings of a cap are cut: stations, the places between them, and chords across. */
export interface FlowPlan {
  stations: readonly Station[];
  /** by station: places from it to the next one along the ring, both ends left out; `to`: that next station */
  spans: { to: number; places: RingPlace[] }[];
  chords: (Chord & { count: number })[];
}

/** Blocks and counts for a cap's rings. */
export function planFlow(line: RingLine, options: FlowOptions): FlowPlan {
  const soft = options.withChords ? softCorners(line, options.size) : [];
  const sizes = localSizes(line, soft, options);
  const found = options.withChords ? findChords(line, soft, options) : new Stations(line);
  for (let i = 0; i < line.x.length; i++) {
    // a ring without any station begins where it begins
    if (line.ring[i] === i && found.along(i).length === 0)
      found.add({ segment: i, along: 0, x: line.x[i], y: line.y[i] });
  }
  const { stations, chords } = found;
  const spans = spansOf(line, found);
  const graph = planGraph(found, spans);
  const wanted = [
    ...spans.map(({ from, to }) =>
      withSupports(
        wantedAlong(line, sizes, stations[from], stations[to]),
        supportsOf(stations[from], stations[to], options.support),
      ),
    ),
    ...chords.map((c) => wantedAcross(stations, c, sizes)),
  ];
  const blocks = traceBlocks(graph);
  const { counts, shares } = fittingCounts({ line, sizes, stations, spans, blocks, wanted, options });
  spans.forEach(({ from, to }, s) =>
    putSupports(shares[s], supportsOf(stations[from], stations[to], options.support), wanted[s].length),
  );
  return {
    stations,
    spans: spans.map(({ from, to }, s) => ({
      to,
      // round a sharp corner the ring has steps of its own
      places: isFan(stations[from], stations[to]) ? [] : placesAt(line, stations[from], stations[to], shares[s]),
    })),
    chords: chords.map((chord, c) => ({ ...chord, count: counts[spans.length + c] })),
  };
}

interface Supports {
  /** beside the first and the last station, 0: none */
  first: number;
  last: number;
}

const supportsOf = (from: Station, to: Station, support: number): Supports => ({
  first: from.isCorner && from.reach === 0 && !isFan(from, to) ? support : 0,
  last: to.isCorner && to.reach === 0 && !isFan(from, to) ? support : 0,
});

/** Of a stretch's length: a support farther from its corner than this has no room. */
const ROOM = 0.3;

function withSupports(wanted: Wanted, { first, last }: Supports): Wanted {
  const added = [first, last].filter((at) => at > 0 && at < ROOM * wanted.length).length;
  return { ...wanted, edges: wanted.edges + added, least: Math.max(wanted.least, added + 1) };
}

/** The places next to corners go to their supports, and those between are spread over what is left. */
function putSupports(shares: number[], { first, last }: Supports, length: number): void {
  const from = first > 0 && first < ROOM * length ? first / length : 0;
  const to = last > 0 && last < ROOM * length ? 1 - last / length : 1;
  const inner = shares.length - (from > 0 ? 1 : 0) - (to < 1 ? 1 : 0);
  if ((from === 0 && to === 1) || inner < 0) return;
  const start = from > 0 ? 1 : 0;
  const rest = shares.slice(start, start + inner);
  const [low, high] = [rest[0] ?? 0, rest[rest.length - 1] ?? 1];
  for (let k = 0; k < inner; k++) {
    // evenly where they were even, between the supports
    const even = (k + 1) / (inner + 1);
    const asWas = inner > 1 ? (rest[k] - low) / (high - low) : 0.5;
    const wide = (inner - 1) / (inner + 1);
    shares[start + k] = from + (to - from) * (inner > 1 ? 1 / (inner + 1) + asWas * wide : even);
  }
  if (from > 0) shares[0] = from;
  if (to < 1) shares[shares.length - 1] = to;
}

interface Fitting {
  line: RingLine;
  sizes: LocalSizes;
  stations: readonly Station[];
  spans: readonly FlowSpan[];
  blocks: readonly Block[];
  wanted: Wanted[];
  options: FlowOptions;
}

/** Of the tolerance: chords farther off their curve than this ask for more of them. */
const BEYOND = 1.2;
const ROUNDS = 4;

/** Counts, and places along the stretches, so that chords stay within the tolerance of their curves. */
function fittingCounts(fitting: Fitting): { counts: Int32Array; shares: number[][] } {
  const { line, sizes, stations, spans, blocks, wanted, options } = fitting;
  for (let round = 0; ; round++) {
    const counts = options.withChords ? evenCounts(blocks, wanted, spans.length) : plainCounts(fitting);
    const shares = spans.map(({ from, to }, s) =>
      evenShares(line, sizes, { from: stations[from], to: stations[to], count: counts[s] }),
    );
    const off = (s: number, places: readonly number[]): number =>
      spanDeviation(line, stations[spans[s].from], stations[spans[s].to], places) / options.tolerance;
    for (const [a, b] of facing(blocks, counts)) {
      const side = (s: number): FlowSide => ({
        from: stations[spans[s].from],
        to: stations[spans[s].to],
        length: wanted[s].length,
      });
      const [one, other] = straightAcross(meetHalfway(shares[a], shares[b]), side(a), side(b));
      if (off(a, one) < BEYOND && off(b, other) < BEYOND) [shares[a], shares[b]] = [one, other];
    }
    const far = spans.map((_, s) => (isFan(stations[spans[s].from], stations[spans[s].to]) ? 0 : off(s, shares[s])));
    if (round === ROUNDS || far.every((by) => by < BEYOND)) return { counts, shares };
    far.forEach((by, s) => {
      if (by >= BEYOND)
        wanted[s] = { ...wanted[s], least: Math.max(wanted[s].least, counts[s] * Math.min(2, Math.sqrt(by)) + 0.5) };
    });
  }
}

const plainCounts = ({ spans, wanted }: Fitting): Int32Array =>
  Int32Array.from(wanted, ({ edges, least }, i) =>
    Math.max(spans[i].from === spans[i].to ? 3 : 1, Math.ceil(Math.max(edges, least) - 0.2)),
  );

/** Stretches that face each other across a four-sided block, with the same count. */
function facing(blocks: readonly Block[], counts: Int32Array): [number, number][] {
  return blocks.flatMap((block) => {
    const sides = sidesOf(block, BLOCK_CORNER);
    if (sides.length !== 4 || sides.some((side) => side.length === 0)) return [];
    return [
      [sides[0], sides[2]],
      [sides[1], sides[3]],
    ].flatMap(([one, other]): [number, number][] => {
      const isStretch = [one, other].every((side) => side.length === 1 && side[0].kind === 'span');
      const [a, b] = [one[0].index, other[0].index];
      return isStretch && a !== b && counts[a] === counts[b] ? [[a, b]] : [];
    });
  });
}

/** Both with the mean of their shares, so that rows run straight across; they are walked in opposite directions. */
function meetHalfway(one: readonly number[], other: readonly number[]): [number[], number[]] {
  const n = one.length;
  const mean = one.map((share, k) => (share + 1 - other[n - 1 - k]) / 2);
  return [mean, mean.map((_, k) => 1 - mean[n - 1 - k])];
}

const isFan = (from: Station, to: Station): boolean => from.fan === 'start' && to.fan === 'end';

interface FlowSpan {
  from: number;
  to: number;
}

/** By its first station. */
function spansOf(line: RingLine, found: Stations): FlowSpan[] {
  const spans: FlowSpan[] = found.stations.map((_, from) => ({ from, to: from }));
  for (let i = 0; i < line.x.length; i++) {
    if (line.ring[i] !== i) continue;
    const row = found.along(i);
    row.forEach((from, k) => (spans[from].to = row[(k + 1) % row.length]));
  }
  return spans;
}

function planGraph({ stations, chords }: Stations, spans: readonly FlowSpan[]): BlockGraph {
  return {
    x: stations.map((s) => s.x),
    y: stations.map((s) => s.y),
    spanTo: spans.map(({ to }) => to),
    leaveX: stations.map(({ after }) => after.y),
    leaveY: stations.map(({ after }) => -after.x),
    arriveX: stations.map(({ before }) => before.y),
    arriveY: stations.map(({ before }) => -before.x),
    chords,
  };
}

/** Marks along the ring from one station to the next: lengths from the first, and the wanted edges up to there. */
function wantedMarks(
  line: RingLine,
  sizes: Float64Array,
  from: Station,
  to: Station,
): { at: number[]; edges: number[] } {
  const whole = to.at > from.at ? to.at - from.at : to.at - from.at + line.around[from.segment];
  const at = [0];
  const edges = [0];
  const sizeAt = (segment: number, along: number): number =>
    along === 0 ? sizes[segment] : 1 / ((1 - along) / sizes[segment] + along / sizes[line.next[segment]]);
  let before = sizeAt(from.segment, from.along);
  let passed = (1 - from.along) * line.length[from.segment];
  const push = (length: number, size: number): void => {
    edges.push(edges[edges.length - 1] + ((length - at[at.length - 1]) * (1 / before + 1 / size)) / 2);
    at.push(length);
    before = size;
  };
  for (let i = line.next[from.segment]; passed < whole - 1e-9; i = line.next[i]) {
    push(passed, sizes[i]);
    passed += line.length[i];
  }
  push(whole, sizeAt(to.segment, to.along));
  return { at, edges };
}

function wantedAlong(line: RingLine, sizes: LocalSizes, from: Station, to: Station): Wanted {
  const { at, edges } = wantedMarks(line, sizes.wanted, from, to);
  const allowed = wantedMarks(line, sizes.most, from, to).edges;
  return { edges: edges[edges.length - 1], least: allowed[allowed.length - 1], length: at[at.length - 1] };
}

function wantedAcross(stations: readonly Station[], { a, b }: Chord, { wanted }: LocalSizes): Wanted {
  const [p, q] = [stations[a], stations[b]];
  const length = lengthOf(q.x - p.x, q.y - p.y);
  return { length, edges: (length * 2) / (wanted[p.segment] + wanted[q.segment]), least: 2 };
}

/** Shares of a stretch's length between its stations, evenly by wanted edges. */
function evenShares(
  line: RingLine,
  sizes: LocalSizes,
  { from, to, count }: { from: Station; to: Station; count: number },
): number[] {
  const { at, edges } = wantedMarks(line, sizes.wanted, from, to);
  const [whole, length] = [edges[edges.length - 1], at[at.length - 1]];
  const shares: number[] = [];
  for (let k = 1, i = 1; k < count; k++) {
    const aim = (whole * k) / count;
    while (edges[i] < aim) i++;
    const share = (aim - edges[i - 1]) / (edges[i] - edges[i - 1]);
    shares.push((at[i - 1] + share * (at[i] - at[i - 1])) / length);
  }
  return shares;
}

function placesAt(line: RingLine, from: Station, to: Station, shares: readonly number[]): RingPlace[] {
  const length = to.at > from.at ? to.at - from.at : to.at - from.at + line.around[from.segment];
  return shares.map((share) => ringPlace(line, line.ring[from.segment], from.at + share * length));
}
