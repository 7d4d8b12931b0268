import type { Grapheme } from './graphemes.ts';

/** What is needed of a laid-out letter to stand beside it. */
export interface CaretLetter {
  /** id of its first grapheme */
  id: number;
  line: number;
  x: number;
  advance: number;
}

/** A place between two graphemes, in the flat layout, mm. */
export interface CaretStop {
  /** graphemes before it */
  at: number;
  line: number;
  x: number;
  /** the baseline */
  y: number;
}

/**
 * All places where a caret can stand, one more than there are graphemes. Inside a letter of several graphemes (a ligature) they share its
 * width evenly. Lines whose letters run to the left have their stops at the letters' right edges.
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
    const y = baselines[line] ?? 0;
    rowStops(row, byId).forEach((x, k) => stops.push({ at: start + k, line, x, y }));
    start = i + 1;
    line++;
  }
  return stops;
}

/** Stops of one line: before each grapheme, and after the last. */
function rowStops(row: readonly Grapheme[], byId: ReadonlyMap<number, CaretLetter>): number[] {
  const placed = row.map((g) => byId.get(g.id));
  const found = placed.filter((letter) => letter !== undefined);
  const isLeftward = found.length > 1 && found[0].x > found[found.length - 1].x;
  const stops: number[] = [];
  let end = 0;
  for (let i = 0; i < row.length;) {
    let size = 1;
    while (i + size < row.length && !placed[i + size]) size++;
    const letter = placed[i];
    for (let k = 0; k < size; k++) {
      const share = k / size;
      stops.push(letter ? letter.x + letter.advance * (isLeftward ? 1 - share : share) : end);
    }
    if (letter) end = letter.x + (isLeftward ? 0 : letter.advance);
    i += size;
  }
  return [...stops, end];
}

/** The stop that a point of the layout means: of the line it is nearest to, the nearest along. */
export function nearestStop(stops: readonly CaretStop[], x: number, y: number, height: number): CaretStop | undefined {
  const distance = (stop: CaretStop): number => Math.abs(stop.y + height / 2 - y);
  let best: CaretStop | undefined;
  for (const stop of stops) {
    if (!best || distance(stop) < distance(best) - 1e-9) best = stop;
    else if (distance(stop) <= distance(best) + 1e-9 && Math.abs(stop.x - x) < Math.abs(best.x - x)) best = stop;
  }
  return best;
}
