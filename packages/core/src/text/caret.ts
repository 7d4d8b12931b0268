import { cos, sin } from '../math/index.ts';
import type { Grapheme } from './graphemes.ts';
import type { Letter } from './letters.ts';

/** What is needed of a laid-out letter to stand beside it. */
export type CaretLetter = Pick<Letter, 'id' | 'x' | 'y' | 'advance' | 'turn' | 'isRightToLeft'>;

/** A place between two graphemes, in the flat layout, mm. */
export interface CaretStop {
  /** graphemes before it */
  at: number;
  line: number;
  x: number;
  /** the baseline */
  y: number;
  /** of the baseline, radians counter-clockwise */
  turn: number;
}

type Spot = Pick<CaretStop, 'x' | 'y' | 'turn'>;

/**
 * All places where a caret can stand, one more than there are graphemes. Inside a letter of several graphemes (a
 * ligature) they share its width evenly. A letter that is read to the left begins at its right edge.
 */
export function caretStops(
  graphemes: readonly Grapheme[],
  letters: readonly CaretLetter[],
  baselines: readonly number[],
): CaretStop[] {
  const byId = new Map(letters.map((letter) => [letter.id, letter]));
  const stops: CaretStop[] = [];
  let start = 0;
  let line = 0;
  for (let i = 0; i <= graphemes.length; i++) {
    if (i < graphemes.length && graphemes[i].text !== '\n') continue;
    const row = graphemes.slice(start, i);
    rowStops(row, byId, baselines[line] ?? 0).forEach((spot, k) => stops.push({ at: start + k, line, ...spot }));
    start = i + 1;
    line++;
  }
  return stops;
}

/** Stops of one line: before each grapheme, and after the last. */
function rowStops(row: readonly Grapheme[], byId: ReadonlyMap<number, CaretLetter>, baseline: number): Spot[] {
  const placed = row.map((g) => byId.get(g.id));
  const stops: Spot[] = [];
  let end: Spot = { x: 0, y: baseline, turn: 0 };
  for (let i = 0; i < row.length;) {
    let size = 1;
    while (i + size < row.length && !placed[i + size]) size++;
    const letter = placed[i];
    for (let k = 0; k < size; k++) stops.push(letter ? along(letter, k / size) : end);
    if (letter) end = along(letter, 1);
    i += size;
  }
  return [...stops, end];
}

/** A share of the letter's width after its beginning. */
function along({ x, y, advance, turn, isRightToLeft }: CaretLetter, share: number): Spot {
  const way = advance * (isRightToLeft ? 1 - share : share);
  return turn === 0 ? { x: x + way, y, turn } : { x: x + way * cos(turn), y: y + way * sin(turn), turn };
}

/**
 * The stop that a point of the layout means: of the line it is nearest to, the nearest along; where the lines are no
 * straight ones, simply the nearest. `height` is where lines have their middles, twice over the baseline.
 */
export function nearestStop(stops: readonly CaretStop[], x: number, y: number, height: number): CaretStop | undefined {
  const isBent = stops.some((stop) => stop.turn !== 0 || stop.y !== stops.find((s) => s.line === stop.line)?.y);
  const middle = (stop: CaretStop): [number, number] => [
    stop.x - (sin(stop.turn) * height) / 2,
    stop.y + (cos(stop.turn) * height) / 2,
  ];
  const distances = (stop: CaretStop): [number, number] => {
    const [mx, my] = middle(stop);
    return isBent ? [0, (mx - x) * (mx - x) + (my - y) * (my - y)] : [Math.abs(my - y), Math.abs(mx - x)];
  };
  let best: CaretStop | undefined;
  let least: [number, number] = [Infinity, Infinity];
  for (const stop of stops) {
    const own = distances(stop);
    if (own[0] > least[0] + 1e-9 || (own[0] > least[0] - 1e-9 && own[1] >= least[1])) continue;
    best = stop;
    least = own;
  }
  return best;
}
