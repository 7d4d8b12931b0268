import { ok, type Result } from '../base/index.ts';
import { usualWords } from '../document/index.ts';
import { letteringCaches, letterOutline } from '../lettering/index.ts';
import { gridStep, strokeCrossings, thicknessAt } from '../outline/index.ts';
import { glyphCurves, layoutWords, splitGraphemes, type FontRef } from '../text/index.ts';
import type { FontChest } from './fontChest.ts';

/** What a font means for solids, measured on words in it. */
export interface FontFacts {
  /** the thinnest strokes, mm: a twentieth of all stroke length is thinner; undefined where there are no strokes */
  stemMm: number | undefined;
  /** points of the drawing of a letter, on average */
  points: number;
}

/** Of all measured stroke length. */
const THIN_SHARE = 0.05;
const CACHE_BYTES = 16e6;
/** Of the size: the largest chord error of the measured outlines. */
const TOLERANCE_SHARE = 1e-3;

/** Measures words in a font, capitals `sizeMm` high. */
export async function fontFacts(
  chest: FontChest,
  { font, words, sizeMm }: { font: FontRef; words: string; sizeMm: number },
): Promise<Result<FontFacts>> {
  const source = { ...usualWords(splitGraphemes(words)), font: { ...font, axes: { ...font.axes } }, sizeMm };
  const fonts = await chest.open(source);
  if (!fonts.ok) return fonts;
  const layout = layoutWords(source.graphemes, fonts.value, source);
  const step = gridStep(layout.extentMm);
  const scale = { emMm: layout.emMm, step, toleranceMm: TOLERANCE_SHARE * sizeMm, bands: undefined };
  const caches = letteringCaches(CACHE_BYTES);
  const drawn = layout.letters.filter((letter) => letter.text.trim() !== '');
  const crossings = drawn.flatMap((letter) => strokeCrossings(letterOutline(letter, scale, caches).of.outline));
  const points = drawn
    .flatMap((letter) => letter.glyphs)
    .reduce((sum, { face, glyph }) => sum + glyphCurves(face, glyph).degree.reduce((n, degree) => n + degree, 0), 0);
  const thin = thicknessAt(crossings, THIN_SHARE);
  return ok({ stemMm: thin === undefined ? undefined : thin * step, points: points / Math.max(1, drawn.length) });
}
