import { keptBy } from '../base/index.ts';
import type { FontCatalogue, FontFamily } from './catalogue.ts';

/** First and last code point of each range, one after the other. */
type Ranges = Uint32Array;

/** Whether a family has glyphs for all of a grapheme, as far as the catalogue knows. */
export function covers(family: FontFamily, grapheme: string): boolean {
  const ranges = rangesOf(family);
  return visiblePoints(grapheme).every((point) => isInside(ranges, point));
}

/** Code points of a grapheme that need a glyph: joiners, variation selectors and their like need none. */
export const visiblePoints = (grapheme: string): number[] =>
  Array.from(grapheme)
    .filter((c) => !/\p{Default_Ignorable_Code_Point}/u.test(c))
    .map((c) => c.codePointAt(0) as number);

/**
 * The families that can stand in for another, best first: those made for it (they cover a script each), then those of
 * its kind, then any.
 */
export function standIns(catalogue: FontCatalogue, kind: FontFamily['kind']): FontFamily[] {
  const order = (family: FontFamily): number => (family.family.startsWith('Noto') ? 0 : family.kind === kind ? 1 : 2);
  return [...catalogue].sort((a, b) => order(a) - order(b));
}

const rangesOf = keptBy((family: FontFamily): Ranges => {
  const rows = family.covers === '' ? [] : family.covers.split(',');
  return Uint32Array.from(
    rows.flatMap((row) => {
      const [first, last = first] = row.split('-').map((hex) => Number.parseInt(hex, 16));
      return [first, last];
    }),
  );
});

function isInside(ranges: Ranges, point: number): boolean {
  let low = 0;
  let high = ranges.length / 2 - 1;
  while (low <= high) {
    const middle = (low + high) >> 1;
    if (point < ranges[2 * middle]) high = middle - 1;
    else if (point > ranges[2 * middle + 1]) low = middle + 1;
    else return true;
  }
  return false;
}
