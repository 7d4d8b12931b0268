import { CurveBuilder, transformCurves, type CurveTable, type CurveForm } from '../outline/index.ts';
import type { FontFace } from './fontFace.ts';
import type { PlacedGlyph } from './letters.ts';
import { BOX_GLYPH, boxWidth } from './shapeLine.ts';

/** Curves of a glyph in font units; for what the font lacks a hollow box as high as its capitals. */
export function glyphCurves(face: FontFace, glyph: number): CurveTable {
  if (glyph !== BOX_GLYPH) return face.curves(glyph);
  const builder = new CurveBuilder();
  const width = boxWidth(face);
  const height = face.metrics.capHeight;
  const wall = 0.09 * height;
  rectangle(builder, 0, 0, width, height);
  rectangle(builder, wall, height - wall, width - wall, wall);
  return builder.finish();
}

/** A letter's glyph about the letter's origin after its form: curves in `mm`, and where their own origin lies, mm. */
export function formedGlyph(
  { face, glyph, x, y }: PlacedGlyph,
  [a, b, c, d]: CurveForm,
  emMm: number,
): { curves: CurveTable; x: number; y: number } {
  const scale = emMm / face.metrics.unitsPerEm;
  const curves = transformCurves(glyphCurves(face, glyph), [a * scale, b * scale, c * scale, d * scale]);
  return { curves, x: a * x + b * y, y: c * x + d * y };
}

/** From (x0, y0) by way of (x1, y0); counter-clockwise when y0 < y1. */
function rectangle(builder: CurveBuilder, x0: number, y0: number, x1: number, y1: number): void {
  builder.moveTo(x0, y0);
  builder.lineTo(x1, y0);
  builder.lineTo(x1, y1);
  builder.lineTo(x0, y1);
  builder.close();
}
