import { PI, sin } from '../../math/index.ts';
import { turnAt, type RingLine } from './ringLine.ts';
import { CORNER_COSINE } from './cornerCosine.ts';

/** A short bend that is a corner for all that is much larger than itself. */
export interface SoftCorner {
  /** the point in its middle */
  point: number;
  first: number;
  last: number;
  /** from its first to its last point */
  length: number;
}

/** Of the size: longer bends are curves. */
const LONGEST = 1.1;
/** Least turn between neighbouring chords that still belongs to a bend. */
const LEAST_TURN = sin((0.5 * PI) / 180);
const FROM = (40 * PI) / 180;
const TO = (140 * PI) / 180;

/** Bends that turn one way by 40 to 140 degrees within about a size. */
export function softCorners(line: RingLine, size: number): SoftCorner[] {
  const n = line.x.length;
  const turns = Float64Array.from({ length: n }, (_, i) => {
    const { sine, cosine } = turnAt(line, i);
    return cosine < CORNER_COSINE ? 0 : sine;
  });
  const found: SoftCorner[] = [];
  for (let i = 0; i < n; i++) {
    const side = Math.sign(turns[i]);
    const bends = (k: number): boolean => Math.abs(turns[k]) > LEAST_TURN && Math.sign(turns[k]) === side;
    if (!bends(i) || bends(line.prev[i])) continue;
    let [last, turn, length] = [i, turns[i], 0];
    while (length <= LONGEST * size && bends(line.next[last]) && line.next[last] !== i) {
      length += line.length[last];
      last = line.next[last];
      turn += turns[last];
    }
    const total = Math.abs(turn);
    if (length === 0 || length > LONGEST * size || total < FROM || total > TO) continue;
    found.push({ point: middleOf(line, i, length), first: i, last, length });
  }
  return found;
}

function middleOf(line: RingLine, first: number, length: number): number {
  let [point, passed] = [first, 0];
  while (passed + line.length[point] / 2 < length / 2) {
    passed += line.length[point];
    point = line.next[point];
  }
  return point;
}

/** The unit normal of the ring so far before (or behind) a point. */
export function normalBeyond(line: RingLine, point: number, by: number): { x: number; y: number } {
  let at = by < 0 ? line.prev[point] : point;
  let left = Math.abs(by);
  for (let i = 0; i < line.x.length && left > line.length[at]; i++) {
    left -= line.length[at];
    at = by < 0 ? line.prev[at] : line.next[at];
  }
  return { x: line.nx[at], y: line.ny[at] };
}
