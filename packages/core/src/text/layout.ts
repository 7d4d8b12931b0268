import type { FontFace, ShapedGlyph } from './fontFace.ts';
import type { Grapheme } from './graphemes.ts';

export interface LayoutOptions {
  /** height of capitals */
  sizeMm: number;
  align: 'left' | 'center' | 'right';
  /** what lies at y = 0, by the font's metrics */
  anchor: 'baseline' | 'top' | 'middle' | 'bottom';
  /** extra space after each letter, thousandths of the size */
  tracking: number;
  /** distance of lines, percent of the font's line height */
  leadingPercent: number;
  kerning: boolean;
  features: Readonly<Record<string, number>>;
  language: string;
  direction: 'ltr' | 'rtl' | 'auto';
}

/** Stands in for what the font lacks. */
export const BOX_GLYPH = -1;

export interface PlacedGlyph {
  glyph: number;
  /** from the letter's origin, mm */
  x: number;
  y: number;
}

/** A shaped cluster: what a person picks as one letter (a ligature is one, a base with its marks is one). */
export interface Letter {
  /** id of its first grapheme */
  id: number;
  text: string;
  line: number;
  word: number;
  /** place among the letters of the piece, in reading order */
  rank: number;
  /** origin on the baseline, mm */
  x: number;
  y: number;
  advance: number;
  glyphs: PlacedGlyph[];
}

export interface Layout {
  letters: Letter[];
  /** height of each line's baseline, mm; lines without letters too */
  baselines: number[];
  /** characters the font has no glyph for, each once */
  missing: string[];
  mmPerUnit: number;
  /** farthest reach of any letter from the origin, mm, an upper bound */
  extentMm: number;
}

const LEFT_OFF_WHEN_TRACKED = { liga: 0, clig: 0 };

/** Graphemes -> letters with their places: shaped line by line, tracked, aligned, anchored. */
export function layoutWords(graphemes: readonly Grapheme[], face: FontFace, options: LayoutOptions): Layout {
  const mmPerUnit = options.sizeMm / face.metrics.capHeight;
  const layout: Layout = { letters: [], baselines: [], missing: [], mmPerUnit, extentMm: 0 };
  const lines = splitLines(graphemes);
  const lineHeight = (face.metrics.ascender - face.metrics.descender + face.metrics.lineGap) * mmPerUnit;
  const leading = (lineHeight * options.leadingPercent) / 100;
  const top = anchorShift(face, options.anchor, (lines.length - 1) * leading, mmPerUnit);
  let words = 0;
  lines.forEach((line, index) => {
    layout.baselines.push(top - index * leading);
    const letters = shapeLine(line, face, options, mmPerUnit, layout.missing);
    const width = letters.reduce((sum, l) => sum + l.advance, 0) - trackingOf(options) * (letters.length > 0 ? 1 : 0);
    let x = { left: 0, center: -width / 2, right: -width }[options.align];
    let inWord = false;
    for (const letter of letters) {
      const isSpace = letter.text.trim() === '';
      if (!isSpace && !inWord) words++;
      inWord = !isSpace;
      layout.letters.push({
        ...letter,
        x,
        y: top - index * leading,
        line: index,
        word: words - 1,
        rank: layout.letters.length,
      });
      x += letter.advance;
    }
  });
  layout.extentMm = extent(layout, face);
  return layout;
}

function splitLines(graphemes: readonly Grapheme[]): Grapheme[][] {
  const lines: Grapheme[][] = [[]];
  for (const g of graphemes) {
    if (g.text === '\n') lines.push([]);
    else lines[lines.length - 1].push(g);
  }
  return lines;
}

const trackingOf = (options: LayoutOptions): number => (options.tracking / 1000) * options.sizeMm;

/** y of the first baseline. `drop` is the distance from the first baseline to the last. */
function anchorShift(face: FontFace, anchor: LayoutOptions['anchor'], drop: number, mmPerUnit: number): number {
  const top = -face.metrics.ascender * mmPerUnit;
  const bottom = drop - face.metrics.descender * mmPerUnit;
  return { baseline: 0, top, middle: (top + bottom) / 2, bottom }[anchor];
}

type ShapedLetter = Pick<Letter, 'id' | 'text' | 'advance' | 'glyphs'>;

/** Letters of one line in visual order; tracking is part of the advance. */
function shapeLine(
  line: readonly Grapheme[],
  face: FontFace,
  options: LayoutOptions,
  mmPerUnit: number,
  missing: string[],
): ShapedLetter[] {
  const text = line.map((g) => (g.text === '\t' ? ' ' : g.text)).join('');
  const starts = graphemeStarts(line);
  const glyphs = face.shape(text, {
    direction: options.direction,
    language: options.language,
    features: {
      ...(options.tracking !== 0 ? LEFT_OFF_WHEN_TRACKED : {}),
      ...(options.kerning ? {} : { kern: 0 }),
      ...options.features,
    },
  });
  return groupByCluster(glyphs).map((group) => {
    const first = starts.get(group[0].cluster) ?? 0;
    const covered = clusterText(line, starts, first, group, glyphs);
    return buildLetter(line[first].id, covered, group, { face, options, mmPerUnit, missing });
  });
}

function graphemeStarts(line: readonly Grapheme[]): Map<number, number> {
  const starts = new Map<number, number>();
  let offset = 0;
  line.forEach((g, i) => {
    for (let k = 0; k < g.text.length; k++) starts.set(offset + k, i);
    offset += g.text.length;
  });
  return starts;
}

function groupByCluster(glyphs: readonly ShapedGlyph[]): ShapedGlyph[][] {
  const groups: ShapedGlyph[][] = [];
  for (const glyph of glyphs) {
    const last = groups[groups.length - 1];
    if (last && last[0].cluster === glyph.cluster) last.push(glyph);
    else groups.push([glyph]);
  }
  return groups;
}

/** The graphemes from a cluster's first to the next cluster in the text. */
function clusterText(
  line: readonly Grapheme[],
  starts: Map<number, number>,
  first: number,
  group: readonly ShapedGlyph[],
  all: readonly ShapedGlyph[],
): string {
  const later = all.map((g) => g.cluster).filter((c) => c > group[0].cluster);
  const end = later.length > 0 ? (starts.get(Math.min(...later)) ?? line.length) : line.length;
  return line
    .slice(first, Math.max(end, first + 1))
    .map((g) => g.text)
    .join('');
}

interface LetterContext {
  face: FontFace;
  options: LayoutOptions;
  mmPerUnit: number;
  missing: string[];
}

function buildLetter(id: number, text: string, group: readonly ShapedGlyph[], context: LetterContext): ShapedLetter {
  const { face, mmPerUnit, missing } = context;
  const tracking = trackingOf(context.options);
  if (group.some((g) => g.glyph === 0)) {
    if (!missing.includes(text)) missing.push(text);
    const advance = boxWidth(face) * mmPerUnit * 1.3;
    return { id, text, advance: advance + tracking, glyphs: [{ glyph: BOX_GLYPH, x: advance * 0.115, y: 0 }] };
  }
  let x = 0;
  const glyphs = group.map((g) => {
    const placed = { glyph: g.glyph, x: (x + g.offsetX) * mmPerUnit, y: g.offsetY * mmPerUnit };
    x += g.advance;
    return placed;
  });
  return { id, text, advance: x * mmPerUnit + tracking, glyphs };
}

/** Width of the box that stands in for a missing glyph, font units. */
export const boxWidth = (face: FontFace): number => 0.62 * face.metrics.capHeight;

/** Every glyph stays within two ems of its own origin, which fonts keep except on purpose. */
function extent(layout: Layout, face: FontFace): number {
  const reach = 2 * face.metrics.unitsPerEm * layout.mmPerUnit;
  return layout.letters.reduce((most, l) => Math.max(most, Math.abs(l.x) + reach, Math.abs(l.y) + reach), reach);
}
