import { visiblePoints } from './coverage.ts';
import type { FontFace, ShapedGlyph } from './fontFace.ts';
import type { Grapheme } from './graphemes.ts';
import { itemise, type Run } from './itemise.ts';
import type { FontSet, LayoutOptions, Letter, PlacedGlyph } from './letters.ts';

/** Stands in for what no font at hand has. */
export const BOX_GLYPH = -1;

/** Width of the box that stands in for a missing glyph, font units. */
export const boxWidth = (face: FontFace): number => 0.62 * face.metrics.capHeight;

/** Tracked text takes no ligatures: their parts would stick together. */
const LEFT_OFF_WHEN_TRACKED = { liga: 0, clig: 0 };

/** A letter that has no place yet. `advance` is its own width and its tracking, mm. */
export type ShapedLetter = Pick<Letter, 'id' | 'text' | 'advance' | 'glyphs' | 'isRightToLeft'> & {
  /** place of its first grapheme in the line */
  first: number;
};

export interface ShapedLine {
  /** in the order they are seen, from left to right */
  letters: ShapedLetter[];
  /** characters that no font has, each once */
  missing: string[];
  /** names of fonts that stood in, with what they stood in for */
  stoodIn: Map<string, string[]>;
}

/** One line of graphemes -> letters. `emMm` is the em of every font, mm. */
export function shapeLine(
  line: readonly Grapheme[],
  fonts: FontSet,
  options: LayoutOptions,
  { emMm }: { emMm: number },
): ShapedLine {
  const shown = line.map((g) => ({ ...g, text: inCapitals(g.text, options) }));
  const shaped: ShapedLine = { letters: [], missing: [], stoodIn: new Map() };
  for (const run of itemise(shown, (g) => fonts.faceFor(g), options.direction)) {
    if (run.face !== fonts.primary) noteStandIn(shaped.stoodIn, run, line, options);
    shaped.letters.push(...shapeRun(run, { line, shown, options, emMm, missing: shaped.missing }));
  }
  return shaped;
}

function inCapitals(text: string, { capitals, language }: LayoutOptions): string {
  if (text === '\t') return ' ';
  if (capitals !== 'upper') return text;
  try {
    return language === '' ? text.toUpperCase() : text.toLocaleUpperCase(language);
  } catch {
    return text.toUpperCase(); // no such language
  }
}

/** Letters with something of their own have their font on purpose. */
function noteStandIn(
  stoodIn: Map<string, string[]>,
  run: Run,
  line: readonly Grapheme[],
  { own }: LayoutOptions,
): void {
  const texts = stoodIn.get(run.face.name) ?? [];
  for (const { id, text } of line.slice(run.start, run.end))
    if (text.trim() !== '' && !own[id] && !texts.includes(text)) texts.push(text);
  if (texts.length > 0) stoodIn.set(run.face.name, texts);
}

interface ShapedRun {
  line: readonly Grapheme[];
  /** as it is shaped */
  shown: readonly Grapheme[];
  options: LayoutOptions;
  emMm: number;
  missing: string[];
}

function shapeRun(run: Run, context: ShapedRun): ShapedLetter[] {
  const { line, shown, options } = context;
  const row = shown.slice(run.start, run.end);
  const starts = graphemeStarts(row);
  const glyphs = run.face.shape(row.map((g) => g.text).join(''), {
    direction: run.isRightToLeft ? 'rtl' : 'ltr',
    script: run.script,
    language: options.language,
    features: featuresOf(options),
  });
  return byGrapheme(glyphs, starts).map((group) => {
    const first = starts.get(group[0].cluster) ?? 0;
    const end = clusterEnd(starts, group, glyphs, row.length);
    const covered = line.slice(run.start + first, run.start + Math.max(end, first + 1));
    const text = covered.map((g) => g.text).join('');
    const own = { id: covered[0].id, text, first: run.start + first, isRightToLeft: run.isRightToLeft };
    return { ...own, ...buildLetter(text, group, run.face, context) };
  });
}

const featuresOf = (options: LayoutOptions): Record<string, number> => ({
  ...(options.tracking !== 0 ? LEFT_OFF_WHEN_TRACKED : {}),
  ...(options.kerning ? {} : { kern: 0 }),
  ...(options.capitals === 'small' ? { smcp: 1 } : {}),
  ...options.features,
});

function graphemeStarts(row: readonly Grapheme[]): Map<number, number> {
  const starts = new Map<number, number>();
  let offset = 0;
  row.forEach((g, i) => {
    for (let k = 0; k < g.text.length; k++) starts.set(offset + k, i);
    offset += g.text.length;
  });
  return starts;
}

/** What one grapheme has become is one letter, though it were two in capitals (ß). */
function byGrapheme(glyphs: readonly ShapedGlyph[], starts: ReadonlyMap<number, number>): ShapedGlyph[][] {
  const groups: ShapedGlyph[][] = [];
  const grapheme = ({ cluster }: ShapedGlyph): number => starts.get(cluster) ?? 0;
  for (const glyph of glyphs) {
    const last = groups[groups.length - 1];
    if (last && grapheme(last[0]) === grapheme(glyph)) last.push(glyph);
    else groups.push([glyph]);
  }
  return groups;
}

/** A letter reaches to the next grapheme that has glyphs of its own, whichever way it is written. */
function clusterEnd(
  starts: ReadonlyMap<number, number>,
  group: readonly ShapedGlyph[],
  all: readonly ShapedGlyph[],
  length: number,
): number {
  const first = starts.get(group[0].cluster) ?? 0;
  const later = all.map((g) => starts.get(g.cluster) ?? 0).filter((i) => i > first);
  return Math.min(length, ...later);
}

/** A character that shows, of which the font has no ink. */
function isBlank(face: FontFace, text: string): boolean {
  const points = text.trim() === '' ? [] : visiblePoints(text);
  return points.length > 0 && !points.some((point) => face.has(point));
}

function buildLetter(
  text: string,
  group: readonly ShapedGlyph[],
  face: FontFace,
  { options, emMm, missing }: ShapedRun,
): { advance: number; glyphs: PlacedGlyph[] } {
  const mmPerUnit = emMm / face.metrics.unitsPerEm;
  const wide = options.widthPercent / 100;
  const tracking = (options.tracking / 1000) * options.sizeMm;
  if (group.some((g) => g.glyph === 0) || isBlank(face, text)) {
    if (!missing.includes(text)) missing.push(text);
    const advance = boxWidth(face) * mmPerUnit * 1.3;
    return { advance: advance * wide + tracking, glyphs: [{ face, glyph: BOX_GLYPH, x: advance * 0.115, y: 0 }] };
  }
  let x = 0;
  const glyphs = group.map((g) => {
    const placed = { face, glyph: g.glyph, x: (x + g.offsetX) * mmPerUnit, y: g.offsetY * mmPerUnit };
    x += g.advance;
    return placed;
  });
  const stretch = text.trim() === '' ? options.wordSpacePercent / 100 : 1;
  return { advance: x * mmPerUnit * wide * stretch + tracking, glyphs };
}
