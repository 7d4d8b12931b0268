import { cos, PI, sin } from '../math/index.ts';
import { curveBounds, type CurveBox, type CurveForm } from '../outline/index.ts';
import type { FontFace } from './fontFace.ts';
import type { Fit, FontSet, Layout, LayoutOptions, Letter } from './letters.ts';
import { formedGlyph } from './glyphCurves.ts';
import type { Grapheme } from './graphemes.ts';
import { onCircle } from './onCircle.ts';
import { onCurve } from './onCurve.ts';
import { standsApart } from './standsApart.ts';
import { shapeLine, type ShapedLetter, type ShapedLine } from './shapeLine.ts';

const FIT_ROUNDS = 12;
const FIT_ERROR = 1e-6;
/** Sizes that a piece can have, mm. */
const SMALLEST_MM = 0.1;
const LARGEST_MM = 10_000;

/** Graphemes -> letters with their places: shaped line by line, spaced, aligned, on a line or a circle, fitted. */
export function layoutWords(graphemes: readonly Grapheme[], fonts: FontSet, options: LayoutOptions): Layout {
  let layout = layAt(graphemes, fonts, options);
  if (options.fit.to === 'none') return layout;
  // spacing goes with the size, so one round fits a straight line; on a circle the letters turn as they grow
  for (let round = 0; round < FIT_ROUNDS; round++) {
    const factor = fitFactor(layout, options.fit);
    if (factor === undefined || Math.abs(factor - 1) < FIT_ERROR) break;
    const wanted = layout.sizeMm * factor;
    const most = options.fit.onlyShrink ? options.sizeMm : LARGEST_MM;
    const sizeMm = Math.max(SMALLEST_MM, Math.min(most, wanted));
    if (sizeMm === layout.sizeMm) break;
    layout = layAt(graphemes, fonts, { ...options, sizeMm });
  }
  return layout;
}

function fitFactor(layout: Layout, fit: Fit): number | undefined {
  const box = inkBox(layout);
  if (!box) return undefined;
  const wide = fit.widthMm / (box.maxX - box.minX);
  const high = fit.heightMm / (box.maxY - box.minY);
  return { none: 1, width: wide, height: high, box: Math.min(wide, high) }[fit.to];
}

/** The exact box around all that is drawn, mm; undefined where nothing is. */
export function inkBox(layout: Layout): CurveBox | undefined {
  let all: CurveBox | undefined;
  for (const letter of layout.letters) {
    for (const glyph of letter.glyphs) {
      const { curves, x, y } = formedGlyph(glyph, letter.form, layout.emMm);
      const box = curveBounds(curves);
      if (!box) continue;
      const [dx, dy] = [letter.x + x, letter.y + y];
      const placed = { minX: box.minX + dx, maxX: box.maxX + dx, minY: box.minY + dy, maxY: box.maxY + dy };
      all = all ? around(all, placed) : placed;
    }
  }
  return all;
}

const around = (a: CurveBox, b: CurveBox): CurveBox => ({
  minX: Math.min(a.minX, b.minX),
  minY: Math.min(a.minY, b.minY),
  maxX: Math.max(a.maxX, b.maxX),
  maxY: Math.max(a.maxY, b.maxY),
});

function layAt(graphemes: readonly Grapheme[], fonts: FontSet, options: LayoutOptions): Layout {
  const { metrics } = fonts.primary;
  const measured = { capitals: metrics.capHeight, xHeight: metrics.xHeight, em: metrics.unitsPerEm }[options.sizeBy];
  const emMm = (options.sizeMm * metrics.unitsPerEm) / measured;
  const lines = splitLines(graphemes);
  const shaped = lines.map((line) => withKernPairs(shapeLine(line, fonts, options, { emMm }), options));
  const rows = justified(
    shaped.map((s) => s.letters),
    options,
  );
  const baselines = baselinesOf(lines.length, fonts.primary, emMm, options);
  const layout: Layout = {
    ...{ letters: [], baselines, emMm, sizeMm: options.sizeMm, extentMm: 0, lacksMm: 0 },
    capMm: capMm(options, emMm, metrics),
    ...told(shaped, fonts.primary, options),
  };
  let words = 0;
  rows.forEach((row, line) => {
    const { places, lacksMm } = placesOf(row, baselines[line], { options, emMm, metrics });
    layout.lacksMm = Math.max(layout.lacksMm, lacksMm);
    const wordOf = wordNumbers(row, words);
    words = wordOf.count;
    row.forEach(({ first, ...letter }, i) =>
      layout.letters.push(
        standsApart(
          { ...letter, ...places[i], line, word: wordOf.words.get(first) ?? 0 },
          options,
          capMm(options, emMm, metrics),
        ),
      ),
    );
  });
  layout.extentMm = extent(layout);
  return layout;
}

function told(
  shaped: readonly ShapedLine[],
  primary: FontFace,
  options: LayoutOptions,
): Pick<Layout, 'missing' | 'stoodIn' | 'lacksSmallCapitals'> {
  const stoodIn = new Map<string, string[]>();
  for (const line of shaped)
    for (const [name, texts] of line.stoodIn) stoodIn.set(name, [...new Set([...(stoodIn.get(name) ?? []), ...texts])]);
  return {
    missing: [...new Set(shaped.flatMap((line) => line.missing))],
    stoodIn,
    lacksSmallCapitals: options.capitals === 'small' && !primary.hasFeature('smcp'),
  };
}

function splitLines(graphemes: readonly Grapheme[]): Grapheme[][] {
  const lines: Grapheme[][] = [[]];
  for (const g of graphemes) {
    if (g.text === '\n') lines.push([]);
    else lines[lines.length - 1].push(g);
  }
  return lines;
}

/** Between letters that stand side by side as they are read. */
function withKernPairs(line: ShapedLine, { kernPairs, sizeMm }: LayoutOptions): ShapedLine {
  if (kernPairs.length === 0) return line;
  const byPair = new Map(kernPairs.map(({ left, right, by }) => [`${left}\u0000${right}`, by]));
  const letters = line.letters.map((letter, i, row) => {
    const next = row[i + 1];
    if (!next) return letter;
    const [first, second] = letter.isRightToLeft && next.isRightToLeft ? [next, letter] : [letter, next];
    const by = byPair.get(`${first.text}\u0000${second.text}`) ?? 0;
    return by === 0 ? letter : { ...letter, advance: letter.advance + (by / 1000) * sizeMm };
  });
  return { ...line, letters };
}

const trackingOf = (options: LayoutOptions): number => (options.tracking / 1000) * options.sizeMm;

/** Of a line from the first letter to the last, without the tracking behind it. */
const widthOf = (row: readonly ShapedLetter[], options: LayoutOptions): number =>
  row.reduce((sum, l) => sum + l.advance, 0) - (row.length > 0 ? trackingOf(options) : 0);

/** Lines widened to the widest: at their spaces, or between letters where there is none. */
function justified(rows: readonly ShapedLetter[][], options: LayoutOptions): ShapedLetter[][] {
  if (options.align !== 'justify') return [...rows];
  const widest = Math.max(0, ...rows.map((row) => widthOf(row, options)));
  return rows.map((row) => {
    const isGap = gapsOf(row);
    const gaps = isGap.filter(Boolean).length;
    const extra = gaps > 0 ? (widest - widthOf(row, options)) / gaps : 0;
    return row.map((letter, i) => (isGap[i] ? { ...letter, advance: letter.advance + extra } : letter));
  });
}

/** Behind which letters of a line room can be added. */
function gapsOf(row: readonly ShapedLetter[]): boolean[] {
  const isSpace = row.map((l) => l.text.trim() === '');
  const first = isSpace.indexOf(false);
  const last = isSpace.lastIndexOf(false);
  const inner = isSpace.map((space, i) => space && i > first && i < last);
  return inner.includes(true) ? inner : row.map((_, i) => i < row.length - 1);
}

function baselinesOf(count: number, face: FontFace, emMm: number, options: LayoutOptions): number[] {
  const mm = ((emMm / face.metrics.unitsPerEm) * options.heightPercent) / 100;
  const { ascender, descender, lineGap } = face.metrics;
  const leading = ((ascender - descender + lineGap) * mm * options.leadingPercent) / 100;
  const top = -ascender * mm;
  const bottom = (count - 1) * leading - descender * mm;
  const first = { baseline: 0, top, middle: (top + bottom) / 2, bottom }[options.anchor];
  return Array.from({ length: count }, (_, i) => first - i * leading);
}

interface PlaceContext {
  options: LayoutOptions;
  emMm: number;
  metrics: FontFace['metrics'];
}

type Places = { places: Pick<Letter, 'x' | 'y' | 'form' | 'turn'>[]; lacksMm: number };

function placesOf(row: readonly ShapedLetter[], y: number, { options, emMm, metrics }: PlaceContext): Places {
  const form = formOf(options);
  const width = widthOf(row, options);
  const { line, align } = options;
  if (line.kind === 'circle') {
    const cap = capMm(options, emMm, metrics);
    return onCircle(
      { letters: row, y, width },
      { circle: line, align, capMm: cap, form, trackingMm: trackingOf(options) },
    );
  }
  if (line.kind === 'curve')
    return onCurve({ letters: row, y, width }, { line, align, form, trackingMm: trackingOf(options) });
  let x = { left: 0, center: -width / 2, right: -width, justify: -width / 2 }[align];
  const places = row.map((letter) => {
    const place = { x, y, form, turn: 0 };
    x += letter.advance;
    return place;
  });
  return { places, lacksMm: 0 };
}

const capMm = ({ heightPercent }: LayoutOptions, emMm: number, metrics: FontFace['metrics']): number =>
  ((metrics.capHeight * emMm) / metrics.unitsPerEm) * (heightPercent / 100);

function formOf({ widthPercent, heightPercent, slantDegrees }: LayoutOptions): CurveForm {
  const high = heightPercent / 100;
  const angle = (slantDegrees * PI) / 180;
  return [widthPercent / 100, (sin(angle) / cos(angle)) * high, 0, high];
}

/** Words are counted as they are read, not as they are seen. */
function wordNumbers(row: readonly ShapedLetter[], before: number): { words: Map<number, number>; count: number } {
  const words = new Map<number, number>();
  let count = before;
  let inWord = false;
  for (const { first, text } of [...row].sort((a, b) => a.first - b.first)) {
    const isSpace = text.trim() === '';
    if (!isSpace && !inWord) count++;
    inWord = !isSpace;
    words.set(first, count - 1);
  }
  return { words, count };
}

/** Every glyph stays within two ems of its own origin, which fonts keep except on purpose. */
function extent(layout: Layout): number {
  const reach = 2 * layout.emMm;
  const most = (l: Letter): number => Math.max(...l.form.map(Math.abs), 1) * reach;
  return layout.letters.reduce((so, l) => Math.max(so, Math.abs(l.x) + most(l), Math.abs(l.y) + most(l)), reach);
}
