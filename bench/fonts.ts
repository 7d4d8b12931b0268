import { flatten, glyphCurves, openFont, unwrap, type FontFace, type Kernels, type VertexRing } from '@fictile/core';
import { readFont, SHIPPED_FONTS } from '@fictile/fonts';

/**
 * One style a shipped family: the boldest, where edges have room, and the hairline serif in its regular, where they
 * have none.
 */
const WEIGHTS: Readonly<Record<string, number>> = { 'Bodoni Moda': 400 };

export async function benchFaces(kernels: Kernels): Promise<FontFace[]> {
  return Promise.all(
    SHIPPED_FONTS.map(async ({ family, styles, axes }) => {
      const wanted = WEIGHTS[family] ?? 700;
      const style = styles.reduce((best, s) =>
        Math.abs(s.weight - wanted) < Math.abs(best.weight - wanted) ? s : best,
      );
      const bytes = await readFont(style.hash);
      if (!bytes) throw new Error(`no file for ${family}`);
      const place = axes.some((a) => a.tag === 'wght') ? { wght: wanted } : {};
      return unwrap(
        openFont(kernels, { bytes, hash: style.hash, name: family, axes: place as Record<string, number> }),
      );
    }),
  );
}

/** Printable characters of Basic Latin. */
export const BASIC_LATIN = Array.from({ length: 94 }, (_, i) => String.fromCodePoint(33 + i));

/** A character's outlines as rings on a grid, capitals `sizeMm` tall; `em` in grid steps. Lengths in mm. */
export function glyphRings(
  face: FontFace,
  character: string,
  { sizeMm, step, toleranceMm }: { sizeMm: number; step: number; toleranceMm: number },
): { rings: VertexRing[]; em: number } {
  const scale = sizeMm / face.metrics.capHeight / step;
  const rings = flatten(glyphCurves(face, glyphOf(face, character)), {
    scale,
    tolerance: toleranceMm / step,
    letter: 0,
  });
  return { rings, em: face.metrics.unitsPerEm * scale };
}

function glyphOf(face: FontFace, character: string): number {
  return face.shape(character, { direction: 'ltr', language: 'en', features: {} })[0].glyph;
}
