import type { Named } from '../base/index.ts';
import type { Bands } from '../outline/index.ts';
import type { Letter } from '../text/index.ts';
import type { LetteringCaches } from './caches.ts';
import type { LetterOutline } from './stages/outline.ts';

/** How the letters of one lettering are drawn: what all their outlines share. */
export interface DrawingScale {
  /** the em, mm */
  emMm: number;
  /** grid step, mm */
  step: number;
  toleranceMm: number;
  /** hollow letters; undefined: full ones */
  bands: Bands | undefined;
}

/** What a letter's drawing depends on besides the scale. */
export type DrawnLetter = Pick<Letter, 'glyphs' | 'form' | 'shape'>;

/** The em in grid steps, to which tolerances relate. */
export const emInSteps = ({ emMm, step }: DrawingScale): number => emMm / step;

/**
 * A letter's outline about its own origin: one for all letters drawn from the same glyphs in the same form at the same
 * scale.
 */
export function letterOutline(
  { glyphs, form, shape }: DrawnLetter,
  { emMm, step, toleranceMm }: DrawingScale,
  caches: LetteringCaches,
): Named<LetterOutline> {
  const [a, b, c, d] = form;
  return caches.outlines.get(
    {
      glyphs: glyphs.map(({ face, glyph, x, y }) => ({
        face: { key: face.key, of: face },
        glyph,
        dx: Math.round((a * x + b * y) / step),
        dy: Math.round((c * x + d * y) / step),
      })),
      shape: shape && { key: shape.key, of: shape.rings },
      form,
      emMm,
      step,
      toleranceMm,
    },
    undefined,
  );
}
